/** What is not found where it is not so: the near misses of each property. That they are harmless is common practice in the trade. */
import type { Circuit } from '../circuit';
import { addLink, exchange, land, lift, removeLink, setValue } from '../circuit';
import { compile } from '../network';
import {
  electricHeat,
  furnaceAirConditioner,
  heatPumpWithStrips,
  parallelThermostats,
  twoStageFurnace,
  twoTransformerSplit,
} from '../systems';
import { tellViolation } from '../testing/tell';
import { guardsOf, keepsGuards, prove } from '.';
import { GRAVITY } from './properties';
import type { Finding, PropertyId } from '.';

const good = furnaceAirConditioner('Structure');
const pump = heatPumpWithStrips('Structure', { stages: 'two' });
const two = twoTransformerSplit('Structure');
const joined = (circuit: Circuit, ...joins: string[]) =>
  addLink(circuit, { id: 'strap', kind: 'jumper', joins });
const findings = (circuit: Circuit) => prove(circuit)!.findings;
const of = (circuit: Circuit, property: PropertyId): Finding[] =>
  findings(circuit).filter((one) => one.property === property);

/** What is said of a property. */
const told = (circuit: Circuit, property: PropertyId): string[] =>
  of(circuit, property).map((finding) => tellViolation(circuit, finding));

describe('crossed hots are', () => {
  const crossed = exchange(two, ['statRC', 'from'], ['statRH', 'from']);

  test('two hots on each other’s screws, both named', () => {
    expect(told(crossed, 'crossed-hots')).toEqual([
      'Thermostat: the hots of Transformer and Cooling transformer are exchanged.',
    ]);
  });

  test('one hot that feeds what returns to the other', () => {
    expect(told(land(two, 'statRH', 'to', 'xfmr2.R'), 'crossed-hots')).toEqual([
      'Thermostat RH is fed from Cooling transformer, and what it calls returns to Transformer.',
    ]);
  });

  test.each<[string, Circuit]>([
    ['as wired', two],
    ['one hot lifted', lift(two, 'statRH', 'to')],
    ['the joiner in', twoTransformerSplit('Structure', 'in')],
    ['one transformer', good],
  ])('not: %s', (_what, circuit) => {
    expect(of(circuit, 'crossed-hots')).toEqual([]);
  });
});

test('a C from the other transformer names both', () => {
  expect(told(land(two, 'statC', 'to', 'board.C'), 'foreign-common')).toEqual([
    'Thermostat takes its hot from Cooling transformer and its C from Transformer.',
  ]);
  expect(of(two, 'foreign-common')).toEqual([]);
});

describe('a loose end is live only where it is hot', () => {
  test('at the board’s R', () => {
    const loose = lift(good, 'statR', 'from');
    const [end] = of(loose, 'live-end');
    expect(tellViolation(loose, end!)).toBe(
      'red of Thermostat cable is live and loose; its other end is on Furnace board R.',
    );
    expect(end!.severity).toBe('danger');
  });
  test.each([
    ['a common at its board', lift(good, 'statC', 'from')],
    ['a call that a thermostat closes only when it wants', lift(good, 'statY', 'from')],
    ['both its ends', lift(lift(good, 'statR', 'from'), 'statR', 'to')],
  ])('not: %s', (_what, circuit) => {
    expect(of(circuit, 'live-end')).toEqual([]);
  });
});

describe('guards', () => {
  const past = (circuit: Circuit, before: Circuit) =>
    !keepsGuards(guardsOf(compile(before)), guardsOf(compile(circuit)));

  test.each<[string, Circuit, Circuit]>([
    ['the fuse', land(good, 'leadFused', 'from', 'xfmr.R'), good],
    ['the fuse, by a jumper', joined(good, 'xfmr.R', 'board.R'), good],
    ['the disconnect', land(good, 'whipL1', 'from', 'disconnect.LINE1'), good],
    ['the door switch', land(good, 'leadDoor', 'from', 'switch.LOAD'), good],
    ['a pressure switch', land(good, 'leadCoil', 'from', 'low.2'), good],
    ['the switch of an air handler', land(pump, 'whipHandler1', 'from', 'switch.LINE1'), pump],
  ])('a way past %s is known', (_what, circuit, before) => {
    expect(past(circuit, before)).toBe(true);
  });

  test.each<[string, Circuit]>([
    ['a load that nothing feeds any more', lift(good, 'yardY', 'to')],
    ['another size of fuse', setValue(good, 'fuse', 'params', 'rating', 5)],
    [
      'the fuse on the same side of the load, its two leads exchanged',
      exchange(good, ['leadHot', 'to'], ['leadFused', 'from']),
    ],
  ])('not: %s', (_what, circuit) => {
    expect(past(circuit, good)).toBe(false);
  });
});

test('a jumper is a bypass only across one guard', () => {
  expect(of(joined(good, 'float.COM', 'float.NC'), 'bypassed').map(({ about }) => about)).toEqual(['float']);
  expect(of(joined(good, 'board.Y', 'float.COM'), 'bypassed')).toEqual([]);
  expect(of(joined(good, 'float.COM', 'nutY.NUT'), 'bypassed').map(({ about }) => about)).toEqual(['float']);
});

describe('what no call ever runs', () => {
  const never = (circuit: Circuit) => told(circuit, 'never');

  test('a second stage with nothing landed', () => {
    const stage = lift(lift(twoStageFurnace('Structure'), 'yardY2', 'from'), 'yardY2', 'to');
    expect(never(stage)).toEqual(['No call ever runs the second stage.']);
  });
  test('a reversible compressor one way only', () => {
    const oneWay = lift(lift(pump, 'yardO', 'from'), 'yardO', 'to');
    expect(never(oneWay)).toContain('No call ever runs the compressor for cooling.');
  });
  test('a reversible compressor neither way is said once', () => {
    const noWay = lift(lift(pump, 'yardY', 'from'), 'yardY', 'to');
    expect(never(noWay).filter((text) => /compressor/.test(text))).toEqual([
      'No call ever runs the compressor.',
    ]);
  });
  test('nothing of a good system', () => {
    expect(never(good)).toEqual([]);
  });
});

test('findings come gravest first, each once, with the states that show it counted', () => {
  const many = lift(
    joined(setValue(good, 'fuse', 'params', 'rating', 30), 'float.COM', 'float.NC'),
    'statG',
    'from',
  );
  const all = findings(many);
  const gravities = all.map(({ severity }) => GRAVITY[severity]);
  expect(gravities).toEqual([...gravities].sort((one, other) => one - other));
  expect(new Set(gravities).size).toBeGreaterThan(1);
  expect(new Set(all.map(({ property, about }) => `${property} ${about}`)).size).toBe(all.length);
  const states = prove(many)!.states;
  for (const { property, states: shown } of all) {
    expect(shown).toBeLessThanOrEqual(states);
    // What the wiring is by itself shows in every state.
    if (property === 'rating' || property === 'bypassed') expect(shown).toBe(states);
  }
});

test('two thermostats of which one asks are not of two minds', () => {
  const minds = of(parallelThermostats('Structure'), 'disagree');
  expect(minds).toHaveLength(1);
  const { calls } = minds[0]!.shownBy.asked;
  expect([...calls].sort()).toEqual(['cool', 'heat']);
});

test('a fan that runs on after a call is not uncalled, one that is jumpered is', () => {
  expect(of(electricHeat('Structure'), 'uncalled-fan')).toEqual([]);
  expect(of(good, 'uncalled-fan')).toEqual([]);
  expect(of(joined(good, 'board.R', 'board.G'), 'uncalled-fan').map(({ about }) => about)).toEqual(['board']);
});

test('a jumper taken off again leaves nothing behind', () => {
  const strapped = joined(good, 'stat.Y', 'stat.W');
  expect(of(strapped, 'uncalled').length).toBeGreaterThan(0);
  expect(findings(removeLink(strapped, 'strap'))).toEqual(findings(good));
});
