/** Where a diagnosis stands, with what cannot be or is no more in it: sensible, and nothing lost. */
import { lift } from '../circuit';
import { boilerTwoWire, furnaceAirConditioner } from '../systems';
import type { Diagnosis, Observation } from '.';
import {
  diagnosisProblems,
  keptFor,
  dictionaryFor,
  followDiagnosis,
  hypothesesOf,
  observationsOf,
  searchKey,
  siteWith,
  stateId,
  withPairs,
} from '.';

const circuit = furnaceAirConditioner('Find');
const probes = { mode: 'ac-volts', red: 'board.Y', black: 'board.C', meter: 'high-z' } as const;
const reading = (value: number): Observation => ({ type: 'reading', state: 'cool', probes, value });
const diagnosis = (observations: readonly Observation[], more: Partial<Diagnosis> = {}): Diagnosis => ({
  observed: observations.map((observation, i) => ({
    id: `o${i}`,
    at: '2026-11-27T10:00:00.000Z',
    observation,
  })),
  whereabouts: { station: 'hall', open: [], state: 'cool' },
  ...more,
});
const kept = (one: Diagnosis) => keptFor({ whereabouts: {} }, '', one);
const problems = (observation: unknown) =>
  diagnosisProblems(kept(diagnosis([observation as Observation]))).map(
    ({ path, message }) => `${path} ${message}`,
  );

test.each<[string, unknown, RegExp]>([
  ['more volts than there are', reading(5000), /value must be at most 1000 V/],
  ['volts that are open', { ...reading(1), value: 'open' }, /value/],
  [
    'less than nothing',
    { type: 'clamp', state: 'cool', conductor: 'statY', amps: -1 },
    /amps must be 0 or more/,
  ],
  ['a reading with no state', { type: 'reading', probes, value: 24 }, /state is required/],
  ['what is no observation', { type: 'hunch' }, /must be an observation of type/],
])('%s is refused, by its field', (_what, observation, problem) => {
  expect(problems(observation).join()).toMatch(problem);
});

test('ohms may be open, and a kept diagnosis of before has less in it', () => {
  const open = {
    ...reading(0),
    state: 'off + power off',
    probes: { ...probes, mode: 'ohms' },
    value: 'open',
  };
  expect(problems(open)).toEqual([]);
  expect(
    diagnosisProblems(kept(diagnosis([reading(24)], { before: [], ignored: ['r1'], telephone: true }))),
  ).toEqual([]);
});

test('what the circuit has no more is named and counts for nothing', () => {
  const gone: Observation[] = [
    { type: 'clamp', state: 'cool', conductor: 'ghost', amps: 1 },
    { type: 'face', state: 'cool', device: 'ghost', text: 'on' },
    { type: 'air', state: 'disco', air: 'warm' },
    { ...reading(3), probes: { ...probes, red: 'ghost.R' } } as Observation,
    { type: 'wires', cable: 'ghost', found: null },
  ];
  const given = diagnosis([reading(0.1), ...gone]);
  const dictionary = dictionaryFor(circuit, given, {});
  const view = followDiagnosis(dictionary, given);
  expect(view.stale).toEqual(['o1', 'o2', 'o3', 'o4', 'o5']);
  expect(view.left).toEqual(followDiagnosis(dictionary, diagnosis([reading(0.1)])).left);
});

test('a circuit edited meanwhile is another search, of what is there now', () => {
  const given = diagnosis([reading(0.1)]);
  const edited = lift(circuit, 'statY', 'to');
  expect(searchKey(edited, given, {})).not.toBe(searchKey(circuit, given, {}));
  const { hypotheses } = dictionaryFor(edited, given, {});
  expect(hypotheses.some(({ id }) => id === 'statY broken')).toBe(false);
});

test('what was tried besides what is offered counts too', () => {
  const tried = stateId({ call: 'cool', lifted: [{ conductor: 'statY', end: 'from' }] });
  const given = diagnosis([{ type: 'air', state: tried, air: 'plain' }]);
  const dictionary = dictionaryFor(circuit, given, {});
  expect(dictionary.trials).toContain(tried);
  expect(followDiagnosis(dictionary, given).stale).toEqual([]);
});

test('symptoms that contradict each other leave something to do', () => {
  const given = diagnosis([
    { type: 'air', state: 'cool', air: 'warm' },
    { type: 'air', state: 'cool', air: 'still' },
    { type: 'screen', state: 'cool', device: 'stat', lit: false },
    { type: 'face', state: 'cool', device: 'stat', text: 'cool' },
  ]);
  const view = followDiagnosis(dictionaryFor(circuit, given, {}), given);
  expect(view.steps.length + view.doubtful.length).toBeGreaterThan(0);
  expect(view.left.length).toBeGreaterThan(0);
});

test('what disagrees with the rest comes with the step that makes it again', () => {
  const sound = ['stat.R', 'board.R'].map(
    (red): Observation =>
      ({
        ...reading(26),
        probes: { ...probes, red, black: red === 'stat.R' ? 'stat.C' : 'board.C' },
      }) as Observation,
  );
  const given = diagnosis([...sound, { type: 'air', state: 'cool', air: 'plain' }, reading(93)]);
  const { doubtful } = followDiagnosis(dictionaryFor(circuit, given, {}), given);
  expect(doubtful.map(({ id, again }) => [id, again.step])).toEqual([
    ['o3', expect.objectContaining({ type: 'reading', red: 'board.Y', black: 'board.C' })],
  ]);
});

test('two thousand observations are weighed, and the course of each is told', () => {
  const many = Array.from({ length: 2000 }, (_, i) => reading(0.1 + (i % 7) / 100));
  const given = diagnosis(many);
  const view = followDiagnosis(dictionaryFor(circuit, given, {}), given);
  expect(view.moved[0]).toHaveLength(2001);
  expect(view.left[0]!.share).toBeGreaterThan(0);
  expect(view.steps.length).toBeGreaterThan(0);
});

test('on the telephone there is a list to bring; on the spot there is none', () => {
  const seen: Observation[] = [{ type: 'air', state: 'cool', air: 'plain' }];
  const there = diagnosis(seen);
  const dictionary = dictionaryFor(circuit, there, {});
  expect(followDiagnosis(dictionary, there).bring).toBeNull();
  const { bring, steps } = followDiagnosis(dictionary, { ...there, telephone: true });
  expect(bring!.items.length).toBeGreaterThan(0);
  for (const { step } of steps) expect(['face', 'call']).toContain(step.type);
});

test('pairs keep what single faults there are', () => {
  const given = diagnosis([reading(0.1)]);
  const dictionary = dictionaryFor(circuit, given, {});
  const both = withPairs(dictionary, []);
  expect(both.hypotheses).toEqual(dictionary.hypotheses);
  expect(observationsOf(both, given)).toHaveLength(1);
});

test('what nothing of worth tells apart is said to be tied, with the steps that still would', () => {
  const boiler = boilerTwoWire('Tied');
  const truth = hypothesesOf(boiler).find(({ id }) => id === 'none')!;
  const site = siteWith(boiler, truth);
  const calls = site.states;
  const given = diagnosis([], {
    whereabouts: { station: boiler.stations[0]!.id, open: [], state: calls[0]! },
  });
  const dictionary = dictionaryFor(boiler, given, {});
  let now = given;
  let view = followDiagnosis(dictionary, now);
  for (let steps = 0; view.steps.length > 0 && steps < 200; steps++) {
    const observed = view.steps.flatMap(({ step }) => site.observe(step));
    const all = [...now.observed.map(({ observation }) => observation), ...observed];
    now = diagnosis(all, { whereabouts: given.whereabouts });
    view = followDiagnosis(dictionary, now);
  }
  expect(view.steps).toEqual([]);
  expect(view.tied).toBe(view.settled === null);
  if (!view.tied) expect(view.apart).toEqual([]);
});
