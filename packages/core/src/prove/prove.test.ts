/**
 * The proof on good circuits, and on good ones spoiled. What each mistake does is common practice in the
 * trade; the states themselves are checked against ngspice elsewhere.
 */
import { NEW_WORLD, advance } from '../behaviour';
import type { Circuit } from '../circuit';
import { addLink, exchange, land, lift, removeDevice, setCable, setValue } from '../circuit';
import { compile } from '../network';
import {
  TEMPLATES,
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  rooftopUnit,
  twoStageFurnace,
  twoTransformerSplit,
  unitHeater,
} from '../systems';
import {
  PROPERTIES,
  casesOf,
  inputsOf,
  isProven,
  judgeState,
  judgedState,
  powerOff,
  prove,
  repairOf,
  stageOf,
} from '.';
import type { PropertyId } from '.';
import { tellViolation } from '../testing/tell';
import { PROPERTY_WORDS, caseText, namesIn, proofText } from '../words';

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
const bare = set(twoTransformerSplit('Proof'), 'xfmr2', 'params', 'protection', 'none');
const joined = (circuit: Circuit, ...joins: string[]) =>
  addLink(circuit, { id: 'strap', kind: 'jumper', joins });

test.each(TEMPLATES.filter(({ id }) => id !== 'parallel-thermostats'))('$id is proven clean', ({ build }) => {
  const { findings } = prove(build('Proof'))!;
  // At 10 % low mains some contactors come in a few tenths of a volt under their guarantee, with the fan running.
  const said = findings.filter(({ property }) => property !== 'coil-margin');
  expect(said.map((finding) => `${finding.property} ${finding.about}`)).toEqual([]);
});

test('a clean proof says what was covered', () => {
  // Twelve states with nothing tripped; six calls with each of three safeties tripped; three supplies.
  const easy = furnaceAirConditioner('Proof', false);
  expect(proofText(prove(easy)!)).toBe(`90 states, ${PROPERTIES.length} properties: nothing found`);
  for (const property of PROPERTIES) expect(PROPERTY_WORDS[property].why.length).toBeGreaterThan(30);
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
  ['parallel thermostats in opposite modes', parallelThermostats('Proof'), 'disagree'],
  ['a unit heater switched by its line', unitHeater('Proof', 'line'), 'no-purge'],
  ['strips with no fan', set(electricHeat('Proof'), 'stat', 'settings', 'fanWithHeat', 'unit'), 'no-air'],
  ['a heat pump’s pressure switches passed by', land(pump, 'leadCoil', 'from', 'pump.CC'), 'safety'],
  ['a 240 V supply on the 120 V tap', land(pump, 'leadPrimary', 'to', 'xfmr.P120'), 'over-voltage'],
  ['a 30 A fuse on 40 VA', set(good, 'fuse', 'params', 'rating', 30), 'rating'],
  ['a transformer that nothing protects', bare, 'protected'],
  ['a dead short that nothing opens', land(bare, 'statC', 'from', 'stat.RC'), 'short'],
  ['a jumper across a float', joined(good, 'float.COM', 'float.NC'), 'bypassed'],
  ['a jumper across the fuse', joined(good, 'fuse.1', 'fuse.2'), 'bypassed'],
  ['a jumper across a pressure switch', joined(pump, 'low.1', 'low.2'), 'bypassed'],
  ['a jumper across a door switch', joined(good, 'door.LINE', 'door.LOAD'), 'bypassed'],
  ['a jumper across a detector', joined(rooftopUnit('Proof'), 'smoke.COM', 'smoke.NC'), 'bypassed'],
  ['a jumper from R to G', joined(good, 'board.R', 'board.G'), 'uncalled-fan'],
  [
    'C from the other transformer, cabinets bonded',
    land(twoTransformerSplit('Proof'), 'statC', 'to', 'board.C'),
    'foreign-common',
  ],
  [
    'RC and RH exchanged',
    exchange(twoTransformerSplit('Proof'), ['statRC', 'from'], ['statRH', 'from']),
    'crossed-hots',
  ],
  [
    'a second stage that is not connected',
    lift(lift(twoStageFurnace('Proof'), 'yardY2', 'from'), 'yardY2', 'to'),
    'never',
  ],
  ['a contactor some tenths of a volt short', setCable(good, 'yardCable', { lengthM: 61 }), 'coil-margin'],
  ['a float that stops nothing', land(good, 'yardY', 'from', 'board.Y'), 'safety'],
])('%s', (_what, circuit, property) => {
  test(`is caught as ${property}, with a state that shows it`, () => {
    const proof = prove(circuit)!;
    const finding = proof.findings.find((entry) => entry.property === property);
    expect(proof.findings.map((entry) => entry.property)).toContain(property);
    expect(caseText(namesIn(circuit), finding!.shownBy)).not.toBe('');
    expect(tellViolation(circuit, finding!)).toMatch(/^[A-Z0-9a-z].*\.$/);
  });
});

// Two hundred feet of 18 AWG behind a 40 VA furnace: wired so for decades, common practice.
test('a long run that works is a caution with its margin, not a fault', () => {
  const long = setCable(good, 'yardCable', { lengthM: 61 });
  const { findings } = prove(long)!;
  expect(findings.map(({ severity }) => severity)).toEqual(['caution']);
  expect(tellViolation(long, findings[0]!)).toMatch(/pulls in at \d+\.\d V, \d\.\d V under the 20\.4 V/);
});

test('a compressor that runs on in a satisfied cooling mode is seen there', () => {
  const wrong = exchange(pump, ['statO', 'to'], ['statY', 'to']);
  const uncalled = prove(wrong)!.findings.find(({ property }) => property === 'uncalled')!;
  expect(uncalled.shownBy.asked.situation).toEqual({ type: 'satisfied', call: 'cool' });
});

test('a wrong tap is named, and told apart from line voltage', () => {
  const tap = prove(land(pump, 'leadPrimary', 'to', 'xfmr.P120'))!.findings;
  expect(tap.map(({ property }) => property)).not.toContain('line-on-control');
  const found = tap.find(({ property }) => property === 'over-voltage')!;
  expect(tellViolation(pump, found)).toMatch(/fed on its 120 V tap/);
});

test('a tap that fits is not blamed for a secondary that gives too much', () => {
  const high = prove(set(good, 'xfmr', 'params', 'openVolts', 36))!.findings;
  const found = high.find(({ property }) => property === 'over-voltage')!;
  expect(tellViolation(good, found)).not.toMatch(/tap/);
});

test('a short that nothing opens comes with its amperes', () => {
  const { findings } = prove(land(bare, 'statC', 'from', 'stat.RC'))!;
  const burning = findings.find(({ property }) => property === 'short')!;
  expect(tellViolation(bare, burning)).toMatch(/carries \d+ A, \d\.\d times .* and nothing opens/);
});

test('defrost and its end are among the states of a heat pump', () => {
  const told = casesOf(pump).map((subject) => caseText(namesIn(pump), subject));
  expect(told).toEqual(expect.arrayContaining(['heat called, defrost begun', 'heat called, defrost ended']));
  const { inputs, world } = stageOf(
    pump,
    casesOf(pump).find(
      ({ asked: { situation } }) => situation.type === 'occasion' && situation.phase === 'begun',
    )!,
  );
  expect(inputs.controls.pump).toEqual({ coil: 'frosted' });
  expect(world.states.pump!.defrostUntil).not.toBeNull();
});

test('two thermostats are put through every combination of modes and fan', () => {
  const both = casesOf(parallelThermostats('Proof')).filter(
    ({ mains, trip }) => mains === 1 && trip === null,
  );
  const seen = new Set(
    both.map(({ asked: { inputs } }) =>
      ['stat', 'stat2'].map((id) => `${inputs.controls[id]!.mode} ${inputs.controls[id]!.fan}`).join(),
    ),
  );
  for (const one of ['off', 'heat', 'cool'])
    for (const other of ['off', 'heat', 'cool'])
      for (const fan of ['auto', 'on']) expect(seen).toContain(`${one} ${fan},${other} auto`);
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
  const look = judgedState(network, shownBy, settled, new Map());
  expect(judgeState(look).map((violation) => violation.property)).toContain(property);
});

// Brute force: every case from its own cold start, nothing shared between cases.
test('agrees with every case run by itself from the beginning', () => {
  const wrong = exchange(electricHeat('Proof'), ['statG', 'to'], ['statW', 'to']);
  const alone = new Set<string>();
  for (const subject of casesOf(wrong)) {
    const network = compile({ ...wrong, mains: { ...wrong.mains, volts: 120 * subject.mains } });
    const off = casesOf(wrong)[0]!.asked;
    let { world } = advance(network, off.inputs, NEW_WORLD, 420);
    let held = off.inputs;
    for (const before of subject.asked.before ?? []) {
      if (before.type === 'hold') held = before.inputs;
      const [inputs, seconds] = before.type === 'hold' ? [held, 1200] : [powerOff(wrong, held), 5];
      world = advance(network, inputs, world, seconds).world;
    }
    const settled = advance(network, inputsOf(subject), world, 1200);
    for (const { property, about } of judgeState(judgedState(network, subject, settled, new Map())))
      alone.add(`${property} ${about}`);
  }
  const together = prove(wrong)!.findings.filter(
    ({ property }) => !['never', 'coil-margin'].includes(property),
  );
  expect(together.map(({ property, about }) => `${property} ${about}`).sort()).toEqual([...alone].sort());
});

test('a contactor whose pole lies across its own coil cannot settle, and is named', () => {
  const free = lift(lift(set(good, 'fuse', 'params', 'rating', 30), 'whipL1', 'to'), 'leadT1', 'from');
  const once = addLink(free, { id: 'in', kind: 'jumper', joins: ['contactor.L1', 'contactor.A1'] });
  const wired = addLink(once, { id: 'out', kind: 'jumper', joins: ['contactor.T1', 'contactor.A2'] });
  const restless = prove(wired)!.findings.find(({ property }) => property === 'restless')!;
  expect(restless.severity).toBe('fault');
  expect(tellViolation(wired, restless)).toMatch(/Contactor.* cannot settle\.$/);
});

test('cautions keep nothing from being proven, and are counted', () => {
  const shortOf = prove(setCable(good, 'yardCable', { lengthM: 61 }))!;
  expect(isProven(shortOf)).toBe(true);
  expect(proofText(shortOf)).toMatch(/: nothing wrong, 1 caution$/);
  const [caution] = shortOf.findings;
  expect(proofText({ ...shortOf, findings: [caution!, caution!] })).toMatch(/nothing wrong, 2 cautions$/);
  const wrong = prove(exchange(good, ['statY', 'to'], ['statW', 'to']))!;
  expect(isProven(wrong)).toBe(false);
  expect(proofText({ ...wrong, findings: [wrong.findings[0]!, caution!] })).toMatch(/: 1 found, 1 caution$/);
});

test('stops when it is no longer wanted', () => {
  let told = 0;
  expect(prove(good, () => ++told < 5)).toBeNull();
  expect(told).toBe(5);
});

test('a finding can be staged on the bench', () => {
  const wrong = exchange(good, ['statY', 'to'], ['statW', 'to']);
  const { inputs, world } = stageOf(wrong, prove(wrong)!.findings[0]!.shownBy);
  expect(inputs.controls.stat).toMatchObject({ mode: expect.stringMatching(/heat|cool/) });
  expect(world.now).toBeGreaterThan(420);
});

// That back-up heat tempers the air in defrost is common practice; D landed elsewhere is how it is lost.
describe('defrost', () => {
  const pump = heatPumpWithStrips('Defrost');
  const untempered = (circuit: Circuit) =>
    prove(circuit)!.findings.filter(({ property }) => property === 'untempered');

  test('with D on W the strips temper it', () => {
    expect(untempered(pump)).toEqual([]);
  });

  test.each([
    ['on Y indoors', land(pump, 'yardD', 'from', 'board.Y')],
    ['off', lift(pump, 'yardD', 'from')],
  ])('with D %s they stay off, and D on W is what mends it', (_, wrong) => {
    const [finding, ...others] = untempered(wrong);
    expect(others).toEqual([]);
    expect(tellViolation(wrong, finding!)).toBe(
      'In defrost of Outdoor board nothing warms the air: First strip bank, Second strip bank off.',
    );
    const { findings } = prove(wrong)!;
    expect(untempered(repairOf(wrong, finding!, undefined, findings)!.circuit)).toEqual([]);
  });
});
