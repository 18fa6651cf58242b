/** Nothing is put right that nobody has seen: looked at, tested by itself, read. Common practice. */
import { furnaceAirConditioner } from '../systems';
import type { Observation, Whereabouts } from '.';
import { COSTS } from './costs';
import { adviser, afterStep } from './next/next';
import { seenRunning } from './seen';
import { checkFor, hypothesesOf, isSettled, makeDictionary, nextSteps, rank } from '.';

const circuit = furnaceAirConditioner('Confirmed');
const hypotheses = hypothesesOf(circuit);
const dictionary = makeDictionary(circuit, hypotheses);
const at = { station: 'hall', open: [], state: 'cool' };
const read = (red: string, black: string, value: number, state = 'cool'): Observation => ({
  type: 'reading',
  state,
  probes: { mode: 'ac-volts', red, black, meter: 'high-z' },
  value,
});
const look = (device: string, found: string | null): Observation => ({ type: 'look', device, found });
const best = (observations: readonly Observation[]) => {
  const ranking = rank(dictionary, observations);
  return { ranking, remedy: ranking.groups[0]!.remedy, share: ranking.groups[0]!.share };
};

/** Y has no volts at the board though it is called, and is sound at the thermostat. */
const yDead: Observation[] = [
  { type: 'air', state: 'cool', air: 'plain' },
  read('stat.Y', 'stat.C', 26),
  read('board.Y', 'board.C', 0),
  look('stat', null),
  { type: 'wires', cable: 'statCable', found: null },
];

test('what is likely enough is looked at before it is put right, and then it is settled', () => {
  const { ranking, remedy } = best(yDead);
  expect(remedy).toEqual({ type: 'land', conductor: 'statY', end: 'to' });
  expect([isSettled(ranking), checkFor(ranking)]).toEqual([false, { type: 'look', at: 'board' }]);
  expect(nextSteps(dictionary, ranking, at)[0]!.step).toMatchObject({ type: 'look', device: 'board' });
  const seen = best([...yDead, look('board', 'statY loose to')]);
  expect([isSettled(seen.ranking), seen.remedy]).toEqual([true, remedy]);
});

test('a look that found nothing there does not confirm it', () => {
  const { ranking } = best([...yDead, look('board', null), look('board', null)]);
  expect(isSettled(ranking)).toBe(false);
});

test('one slip of the finger settles nothing that speaks for nothing else', () => {
  const cools: Observation[] = [
    { type: 'air', state: 'cool', air: 'cold' },
    { type: 'runs', state: 'cool', device: 'unit', load: 'compressor', on: true },
    read('board.Y', 'board.C', 26),
  ];
  const { ranking } = best([...cools, { type: 'test', device: 'contactor', found: 'contactor coil-open' }]);
  expect(isSettled(ranking)).toBe(false);
});

test('line voltage is read before it is said to be low', () => {
  const low = [read('board.R', 'board.C', 17), read('stat.R', 'stat.C', 17, 'off')];
  const { ranking, remedy } = best(low);
  expect([remedy, isSettled(ranking), checkFor(ranking)]).toEqual([
    { type: 'line-voltage' },
    false,
    { type: 'line' },
  ]);
  expect(nextSteps(dictionary, ranking, at)[0]!.step).toMatchObject({ type: 'reading', line: true });
});

test('a conductor is replaced once its cable was tested', () => {
  const sound = [...yDead.slice(0, 4), look('board', null)];
  const { ranking, remedy } = best(sound);
  expect(remedy).toEqual({ type: 'replace-conductor', conductor: 'statY' });
  expect(checkFor(ranking)).toEqual({ type: 'wires', at: 'statCable' });
  expect(
    isSettled(best([...sound, { type: 'wires', cable: 'statCable', found: 'statY broken' }]).ranking),
  ).toBe(true);
});

describe('what comes and goes', () => {
  const index = (id: string) => hypotheses.findIndex((one) => one.id === id);
  const shares = (observations: readonly Observation[]) => {
    const { shares: all } = rank(dictionary, observations);
    return { lasts: all[index('statY loose to')]!, goes: all[index('statY loose to now and then')]! };
  };
  const dead = read('board.Y', 'board.C', 0);
  const live = read('board.Y', 'board.C', 26);

  test('is rarer than what lasts, until two readings of one place disagree', () => {
    const once = shares([dead]);
    expect(once.lasts).toBeGreaterThan(5 * once.goes);
    const twice = shares([dead, live]);
    expect(twice.goes).toBeGreaterThan(5 * twice.lasts);
  });

  test('is found and put right as what lasts', () => {
    const { ranking, remedy } = best([dead, live, look('board', 'statY loose to')]);
    expect(remedy).toEqual({ type: 'land', conductor: 'statY', end: 'to' });
    expect(isSettled(ranking)).toBe(true);
  });
});

test('a blown fuse is found blown by who tests it, whatever blew it', () => {
  const blown: Observation[] = [
    { type: 'face', state: 'cool', device: 'fuse', text: 'blown' },
    { type: 'test', device: 'fuse', found: 'fuse blown' },
  ];
  const { shares } = rank(dictionary, blown);
  const of = (id: string) => shares[hypotheses.findIndex((one) => one.id === id)]!;
  expect(of('contactor coil-shorted') / of('fuse blown')).toBeGreaterThan(0.2);
  expect(isSettled(best(blown).ranking)).toBe(false);
});

test('where every call is seen to run, nothing is wrong, whatever else may be: it says so and stops', () => {
  const runs = (state: string) => seenRunning(circuit, state, dictionary.predict(0, state));
  expect(isSettled(best(runs('cool')).ranking)).toBe(false);
  const volts = read('stat.R', 'stat.C', 26);
  expect(isSettled(best([...runs('cool'), ...runs('heat')]).ranking)).toBe(false);
  const both = best([...runs('cool'), ...runs('heat'), volts]);
  expect([isSettled(both.ranking), both.remedy]).toEqual([true, { type: 'none' }]);
  const without = runs('heat').map((one): Observation =>
    one.type === 'air' ? { ...one, air: 'still' } : one,
  );
  expect(isSettled(best([...runs('cool'), ...without, volts]).ranking)).toBe(false);
  // Volts that sag tell of what hangs on a transformer before anything stops.
  expect(isSettled(best([...runs('cool'), ...runs('heat'), read('stat.R', 'stat.C', 20)]).ranking)).toBe(
    false,
  );
  // It did not run once, and runs now: no reason to stop.
  const once = [...runs('cool'), ...without, ...runs('heat'), volts];
  expect(isSettled(best(once).ranking)).toBe(false);
});

test('the power is turned off once for what is done meanwhile', () => {
  const off: Observation[] = [];
  const ohms = { type: 'reading', mode: 'ohms', state: 'off + power off', line: false } as const;
  const step = { ...ohms, station: 'plant', red: 'board.Y', black: 'board.C' };
  const here = { station: 'plant', open: ['plant'], state: 'cool' };
  const minutes = (where: Whereabouts) =>
    adviser(dictionary, rank(dictionary, off), where).weigh(step).minutes;
  const dark = afterStep(here, step);
  expect(minutes(here) - minutes(dark)).toBe(COSTS.powerOff);
  const call = { type: 'call', station: 'plant', state: 'heat' } as const;
  expect([dark.dark, afterStep(dark, call).dark]).toEqual([true, false]);
});
