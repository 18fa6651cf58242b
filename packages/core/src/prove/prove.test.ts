/**
 * The proof on good circuits, and on good ones spoiled. What each mistake does is common practice in the
 * trade; the states themselves are checked against ngspice elsewhere.
 */
import { NEW_WORLD, advance } from '../behaviour';
import type { Circuit } from '../circuit';
import { exchange, land, lift, removeDevice, setCable, setValue } from '../circuit';
import { compile } from '../network';
import {
  TEMPLATES,
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  twoTransformerSplit,
  unitHeater,
} from '../systems';
import {
  PROPERTIES,
  caseTitle,
  casesOf,
  inputsOf,
  judgeState,
  proofInWords,
  prove,
  repairOf,
  stageOf,
} from '.';
import type { PropertyId } from '.';

const found = (circuit: Circuit): PropertyId[] => [
  ...new Set(prove(circuit)!.findings.map(({ property }) => property)),
];
const set = (
  circuit: Circuit,
  device: string,
  group: 'params' | 'settings',
  name: string,
  value: string | number,
) => setValue(circuit, device, group, name, value);

const good = furnaceAirConditioner('Proof');
const pump = heatPumpWithStrips('Proof', { stages: 'two' });

test.each(TEMPLATES.filter(({ id }) => id !== 'parallel-thermostats'))('$id is proven clean', ({ build }) => {
  expect(prove(build('Proof'))!.findings.map(({ text, shownBy }) => `${text} ${caseTitle(shownBy)}`)).toEqual(
    [],
  );
});

test('a clean proof says what was covered', () => {
  // Seven calls are six here: no back-up heat. Three safeties and none tripped, three supplies.
  expect(proofInWords(prove(good)!)).toBe(`72 states, ${PROPERTIES.length} properties: nothing found`);
  for (const { why } of PROPERTIES) expect(why.length).toBeGreaterThan(30);
});

describe.each<[string, Circuit, PropertyId]>([
  ['R shorted to C', land(land(good, 'statY', 'from', 'stat.R'), 'statY', 'to', 'board.C'), 'short'],
  ['Y and W exchanged', exchange(good, ['statY', 'to'], ['statW', 'to']), 'uncalled'],
  ['O/B reversed', set(pump, 'stat', 'settings', 'valve', 'B'), 'uncalled'],
  [
    'a heat pump on a thermostat set conventional',
    set(pump, 'stat', 'settings', 'system', 'conventional'),
    'uncalled',
  ],
  ['line voltage on R', exchange(good, ['leadFused', 'from'], ['leadPrimary', 'from']), 'line-on-control'],
  ['the joiner in with two transformers in phase', twoTransformerSplit('Proof', 'in'), 'tied'],
  [
    'the joiner in with two transformers out of phase',
    set(twoTransformerSplit('Proof', 'in'), 'xfmr2', 'settings', 'phase', 'reversed'),
    'short',
  ],
  [
    'the joiner missing with one transformer',
    lift(twoTransformerSplit('Proof', 'out'), 'statRH', 'from'),
    'unanswered',
  ],
  ['C landed at one end only', lift(good, 'statC', 'to'), 'blank'],
  ['a spare left live', lift(good, 'statG', 'to'), 'live-end'],
  [
    'an overloaded transformer',
    set(set(good, 'xfmr', 'params', 'va', 10), 'fuse', 'params', 'rating', 20),
    'overload',
  ],
  [
    'a coil under its pick-up on a long thin run',
    setCable(good, 'yardCable', { gauge: 22, lengthM: 120 }),
    'weak-coil',
  ],
  ['parallel thermostats in opposite modes', parallelThermostats('Proof'), 'together'],
  ['a unit heater switched by its line', unitHeater('Proof', 'line'), 'no-purge'],
  ['strips with no fan', set(electricHeat('Proof'), 'stat', 'settings', 'fanWithHeat', 'unit'), 'no-air'],
  ['a heat pump’s pressure switches passed by', land(pump, 'leadCoil', 'from', 'pump.CC'), 'safety'],
  ['a float that stops nothing', land(good, 'yardY', 'from', 'board.Y'), 'safety'],
])('%s', (_what, circuit, property) => {
  test(`is caught as ${property}, with a state that shows it`, () => {
    const proof = prove(circuit)!;
    const finding = proof.findings.find((entry) => entry.property === property);
    expect(proof.findings.map((entry) => entry.property)).toContain(property);
    expect(caseTitle(finding!.shownBy)).not.toBe('');
    expect(finding!.text).toMatch(/\.$/);
  });
});

test('a device taken out leaves its calls unanswered', () => {
  expect(found(removeDevice(good, 'contactor'))).toContain('unanswered');
});

test('the counterexample shows the same when it is settled by itself', () => {
  const wrong = exchange(good, ['statY', 'to'], ['statW', 'to']);
  const { shownBy, property } = prove(wrong)!.findings[0]!;
  const network = compile(wrong);
  const rest = advance(
    network,
    inputsOf({ asked: casesOf(wrong)[0]!.asked, trip: null }),
    NEW_WORLD,
    420,
  ).world;
  const settled = advance(network, inputsOf(shownBy), rest, 600);
  expect(judgeState(network, shownBy, settled).map((violation) => violation.property)).toContain(property);
});

// Brute force: every case from its own cold start, nothing shared between cases.
test('agrees with every case run by itself from the beginning', () => {
  const wrong = exchange(electricHeat('Proof'), ['statG', 'to'], ['statW', 'to']);
  const alone = new Set<string>();
  for (const subject of casesOf(wrong)) {
    const network = compile({ ...wrong, mains: { ...wrong.mains, volts: 120 * subject.mains } });
    const off = casesOf(wrong)[0]!.asked;
    const rest = advance(network, inputsOf({ asked: off, trip: null }), NEW_WORLD, 420).world;
    const settled = advance(network, inputsOf(subject), rest, 1200);
    for (const { property, about } of judgeState(network, subject, settled))
      alone.add(`${property} ${about}`);
  }
  const together = new Set(prove(wrong)!.findings.map(({ property, about }) => `${property} ${about}`));
  expect([...together].sort()).toEqual([...alone].sort());
});

test('stops when it is no longer wanted', () => {
  let told = 0;
  expect(prove(good, () => ++told < 5)).toBeNull();
  expect(told).toBe(5);
});

describe('repair', () => {
  test.each<[string, Circuit, RegExp]>([
    ['Y and W exchanged', exchange(good, ['statY', 'to'], ['statW', 'to']), /Exchange yellow and white/],
    ['O/B reversed', set(pump, 'stat', 'settings', 'valve', 'B'), /O\/B is energised in: Cooling/],
    [
      'strips with no fan',
      set(electricHeat('Proof'), 'stat', 'settings', 'fanWithHeat', 'unit'),
      /Run by the thermostat/,
    ],
    ['C at one end only', lift(good, 'statC', 'to'), /Land blue of Thermostat cable on .* C/],
    ['a joiner in between two transformers', twoTransformerSplit('Proof', 'in'), /RC–RH joiner: Out/],
    ['a transformer too small', set(good, 'xfmr', 'params', 'va', 20), /Fit a \d+ VA transformer/],
  ])('of %s', (_what, circuit, words) => {
    const repair = repairOf(circuit, prove(circuit)!.findings[0]!)!;
    expect(repair.text).toMatch(words);
    expect(repair.left).toBe(0);
    expect(prove(repair.circuit)!.findings).toEqual([]);
  });

  test('of what no single change mends is none', () => {
    const circuit = removeDevice(good, 'contactor');
    expect(
      repairOf(
        circuit,
        prove(circuit)!.findings.find(({ property }) => property === 'unanswered')!,
      ),
    ).toBeNull();
  });
});

test('a finding can be staged on the bench', () => {
  const wrong = exchange(good, ['statY', 'to'], ['statW', 'to']);
  const { inputs, world } = stageOf(wrong, prove(wrong)!.findings[0]!.shownBy);
  expect(inputs.controls.stat).toMatchObject({ mode: expect.stringMatching(/heat|cool/) });
  expect(world.now).toBeGreaterThan(420);
});
