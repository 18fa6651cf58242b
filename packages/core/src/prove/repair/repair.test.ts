/** What is proposed, on good circuits spoiled. That each is wired so and mended so is common practice in the trade. */
import { NEW_WORLD, advance } from '../../behaviour';
import type { Circuit } from '../../circuit';
import { addLink, exchange, land, landedOn, lift, removeDevice, setValue } from '../../circuit';
import { compile } from '../../network';
import {
  TEMPLATES,
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  rooftopOnLoop,
  rooftopUnit,
  twoTransformerSplit,
} from '../../systems';
import { spoilsOf } from '../../testing/spoils';
import { tellRepair } from '../../testing/tell';
import { guardsOf, keepsGuards, prove, repairOf } from '..';
import type { Finding } from '..';

const good = furnaceAirConditioner('Repair');
const pump = heatPumpWithStrips('Repair', { stages: 'two' });
const set = setValue;
const keyOf = ({ property, about }: Finding) => `${property} ${about}`;
const dangersAndFaults = (circuit: Circuit) =>
  prove(circuit)!.findings.filter(({ severity }) => severity !== 'caution');

test.each<[string, Circuit, RegExp]>([
  ['Y and W exchanged', exchange(good, ['statY', 'to'], ['statW', 'to']), /Exchange yellow .* and white/],
  ['O/B reversed', set(pump, 'stat', 'settings', 'valve', 'B'), /O\/B is energised in: Cooling/],
  [
    'strips with no fan',
    set(electricHeat('Repair'), 'stat', 'settings', 'fanWithHeat', 'unit'),
    /Run by the thermostat/,
  ],
  ['C at one end only', lift(good, 'statC', 'to'), /Land blue of Thermostat cable on .* C/],
  ['a joiner in between two transformers', twoTransformerSplit('Repair', 'in'), /RC–RH joiner: Out/],
  ['a transformer too small', set(good, 'xfmr', 'params', 'va', 20), /Fit a \d+ VA transformer/],
  ['a wrong tap', land(pump, 'leadPrimary', 'to', 'xfmr.P208'), /to its 240 V tap/],
  ['a fuse of 30 A', set(good, 'fuse', 'params', 'rating', 30), /Fit a 3 A fuse/],
  ['a fuse of 1 A', set(good, 'fuse', 'params', 'rating', 1), /Fit a 3 A fuse/],
  [
    'a bypassed float',
    addLink(good, { id: 'strap', kind: 'jumper', joins: ['float.COM', 'float.NC'] }),
    /Take the jumper off Pan float/,
  ],
  ['Y on the screw beside', land(good, 'statY', 'to', 'board.G'), /Move yellow .* to Furnace board Y/],
])('of %s', (_what, circuit, words) => {
  const { findings } = prove(circuit)!;
  const repair = repairOf(circuit, findings[0]!, undefined, findings)!;
  expect(tellRepair(circuit, repair)).toMatch(words);
  expect(dangersAndFaults(repair.circuit)).toEqual([]);
});

test.each(['board.G', 'board.C'])(
  'the lead of a float on %s: each of what it does is mended by moving it',
  (on) => {
    const wrong = land(good, 'leadFloat', 'from', on);
    const { findings } = prove(wrong)!;
    const faults = findings.filter(({ severity }) => severity !== 'caution');
    expect(faults.length).toBeGreaterThan(1);
    for (const finding of faults)
      expect(tellRepair(wrong, repairOf(wrong, finding, undefined, findings)!)).toMatch(
        /^Move yellow of Float lead from .* to Furnace board Y/,
      );
  },
);

test('two changes are found where a single one leaves a danger', () => {
  // A loose end behind a bypassed float: landing it alone would run the compressor past the float.
  const both = addLink(lift(good, 'yardY', 'to'), {
    id: 'strap',
    kind: 'jumper',
    joins: ['float.COM', 'float.NC'],
  });
  const { findings } = prove(both)!;
  const repair = repairOf(both, findings[0]!, undefined, findings)!;
  expect(tellRepair(both, repair)).toMatch(/; then /);
  expect(dangersAndFaults(repair.circuit)).toEqual([]);
});

test.each([
  ['C on the terminal beside', land(pump, 'yardC', 'to', 'pump.CC'), /^Move black of Outdoor cable/],
  [
    'a 1 A fuse for two thermostats',
    set(parallelThermostats('Repair'), 'fuse', 'params', 'rating', 1),
    /^Fit a 3 A fuse/,
  ],
])('%s is not mended into a dead unit', (_what, circuit, words) => {
  const { findings } = prove(circuit)!;
  const repair = repairOf(circuit, findings[0]!, undefined, findings)!;
  expect(tellRepair(circuit, repair)).toMatch(words);
  expect(dangersAndFaults(repair.circuit)).toEqual([]);
});

const split = twoTransformerSplit('Repair');

// What the marks do not tell: R is R, whichever transformer it belongs to.
test.each<[string, Circuit, RegExp]>([
  [
    'RC and RH exchanged',
    exchange(split, ['statRC', 'from'], ['statRH', 'from']),
    /^Exchange red .* and brown/,
  ],
  [
    'RH on RC',
    land(split, 'statRH', 'from', 'stat.RC'),
    /^Move brown .* from Thermostat RC to Thermostat RH/,
  ],
  ['the joiner in between two transformers', twoTransformerSplit('Repair', 'in'), /joiner: Out/],
  [
    'C on the other transformer',
    land(split, 'statC', 'to', 'board.C'),
    /^Move blue .* to Cooling transformer C/,
  ],
  [
    'C on a detector’s terminal',
    land(rooftopUnit('Repair'), 'statC', 'to', 'controller.SD1'),
    /^Move blue .* to Unit controller C/,
  ],
])('%s is mended where it is wrong', (_what, circuit, words) => {
  const { findings } = prove(circuit)!;
  const repair = repairOf(circuit, findings[0]!, undefined, findings)!;
  expect(tellRepair(circuit, repair)).toMatch(words);
  expect(dangersAndFaults(repair.circuit)).toEqual([]);
});

test('is the same whether what is found is handed over or looked for', () => {
  const circuit = set(good, 'fuse', 'params', 'rating', 30);
  const { findings } = prove(circuit)!;
  expect(repairOf(circuit, findings[0]!)).toEqual(repairOf(circuit, findings[0]!, undefined, findings));
});

test('of what no change mends is none', () => {
  const circuit = removeDevice(good, 'contactor');
  const { findings } = prove(circuit)!;
  const unanswered = findings.find(({ property, about }) => property === 'unanswered' && about === 'cool')!;
  expect(repairOf(circuit, unanswered, undefined, findings)).toBeNull();
});

test('stops when it is no longer wanted', () => {
  const circuit = exchange(good, ['statY', 'to'], ['statW', 'to']);
  let told = 0;
  expect(repairOf(circuit, prove(circuit)!.findings[0]!, () => ++told < 1)).toBeNull();
  expect(told).toBe(1);
});

describe('never weakens a protection', () => {
  test('the thermostat held by an alarm contact goes to the one that opens, not past the detector', () => {
    const wrong = land(rooftopOnLoop('Repair'), 'holdBack', 'from', 'ductSmoke.NO');
    const [worst, ...others] = prove(wrong)!.findings;
    const { circuit } = repairOf(wrong, worst!, undefined, [worst!, ...others])!;
    expect(landedOn(circuit, 'ductSmoke.NC').map(({ conductor }) => conductor.id)).toEqual(['holdBack']);
  });

  test('the supply on a wrong tap is not mended by moving the fuse', () => {
    const wrong = land(pump, 'leadPrimary', 'to', 'xfmr.P120');
    const { findings } = prove(wrong)!;
    const { circuit } = repairOf(wrong, findings[0]!, undefined, findings)!;
    const short = { red: 'board.R', black: 'board.C', ohms: 0.05 };
    const inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
    const settled = advance(compile(circuit, [], [short]), inputs, NEW_WORLD, 60);
    expect(settled.world.states.fuse!.open).toBe(true);
  });

  test('parallel thermostats that disagree are not set to heat pump', () => {
    const parallel = parallelThermostats('Repair');
    const { findings } = prove(parallel)!;
    const together = findings.find(({ property }) => property === 'disagree')!;
    const repair = repairOf(parallel, together, undefined, findings);
    expect(repair ? tellRepair(parallel, repair) : '').not.toMatch(/heat pump/i);
  });

  test('a way past the fuse, the door or the float is known as such', () => {
    const guarded = guardsOf(compile(good));
    const past = (circuit: Circuit) => keepsGuards(guarded, guardsOf(compile(circuit)));
    expect(past(good)).toBe(true);
    expect(past(land(good, 'leadFused', 'from', 'xfmr.R'))).toBe(false);
    expect(past(land(good, 'yardY', 'from', 'board.Y'))).toBe(false);
    expect(past(land(good, 'leadDoor', 'from', 'switch.LOAD'))).toBe(false);
    // The fan may go past the float: it makes no water.
    expect(past(land(good, 'statG', 'to', 'board.Y'))).toBe(true);
  });
});

/** A house of zones has three times the conductors of another, all of them alike, and four times the states. */
const mostMistakes = ({ devices }: Circuit) => (devices.length > 22 ? 1 : 5);

// A few mistakes of every system; the whole of them is what `npm run bench:advice` goes through.
test.each(TEMPLATES)('$id: mistakes are mended without adding any', ({ build }) => {
  const ready = build('Repair');
  const standing = new Set(prove(ready)!.findings.map(keyOf));
  const some = spoilsOf(ready).filter((_, i) => i % 90 === 7);
  for (const spoiled of some.slice(0, mostMistakes(ready))) {
    const { findings } = prove(spoiled.circuit)!;
    const worst = findings.find((finding) => !standing.has(keyOf(finding)));
    if (!worst) continue;
    const repair = repairOf(spoiled.circuit, worst, undefined, findings);
    const left =
      repair &&
      prove(repair.circuit)!
        .findings.map(keyOf)
        .filter((key) => !standing.has(key));
    expect({ mistake: spoiled.text, left }).toEqual({ mistake: spoiled.text, left: [] });
  }
});
