/** What a person tells besides the steps: what was replaced, seen, swapped, lifted; and what is known of likelihoods. */
import { voltsBetween } from '../network';
import { furnaceAirConditioner, twoTransformerSplit } from '../systems';
import type { Diagnosis, Observation } from '.';
import {
  classesOf,
  complaintOf,
  diagnosisProblems,
  keptFor,
  dictionaryFor,
  followDiagnosis,
  hypothesesOf,
  makeDictionary,
  rank,
  searchKey,
  siteWith,
  stateId,
  stepKey,
  withHistory,
} from '.';

const circuit = furnaceAirConditioner('Besides');
const hypotheses = hypothesesOf(circuit);
const dictionary = makeDictionary(circuit, hypotheses);
const silent: Observation = { type: 'air', state: 'cool', air: 'still' };
const at = { station: 'hall', open: [], state: 'cool' };
const diagnosis = (observations: readonly Observation[], more: Partial<Diagnosis> = {}): Diagnosis => ({
  observed: observations.map((observation, i) => ({
    id: `o${i}`,
    at: '2026-11-27T10:00:00.000Z',
    observation,
  })),
  whereabouts: at,
  ...more,
});
const shareOf = (observations: readonly Observation[], id: string) =>
  rank(dictionary, observations).shares[hypotheses.findIndex((one) => one.id === id)]!;

// How far each moves is judgement; which way it moves is common practice.
test.each<[string, Observation, more: string, less: string]>([
  ['a new board is less likely bad', { type: 'replaced', device: 'board' }, 'statR broken', 'board dead'],
  [
    'a burnt board is likelier bad',
    { type: 'sight', sight: 'burnt', target: { type: 'device', id: 'board' } },
    'board dead',
    'statR broken',
  ],
  [
    'a chewed cable likelier has a broken conductor',
    { type: 'sight', sight: 'chewed', target: { type: 'cable', id: circuit.cables[0]!.id } },
    `${circuit.cables[0]!.conductors[0]!.id} broken`,
    'board dead',
  ],
  [
    'what runs with another thermostat had a bad one',
    { type: 'swapped', device: 'stat', helped: true },
    'stat dead',
    'statR broken',
  ],
  [
    'what does not run with another thermostat had a good one',
    { type: 'swapped', device: 'stat', helped: false },
    'statR broken',
    'stat dead',
  ],
])('%s', (_what, observation, more, less) => {
  expect(diagnosisProblems(keptFor({ whereabouts: {} }, '', diagnosis([observation])))).toEqual([]);
  const ratio = (id: string) => shareOf([silent, observation], id) / shareOf([silent], id);
  expect(ratio(more)).toBeGreaterThan(2 * ratio(less));
});

test.each<[unknown, RegExp]>([
  [
    { type: 'sight', sight: 'singing', target: { type: 'device', id: 'board' } },
    /sight must be one of burnt/,
  ],
  [{ type: 'sight', sight: 'wet', target: { type: 'house', id: 'board' } }, /target.type must be device or/],
  [{ type: 'swapped', device: 'stat' }, /helped/],
])('%j is refused by its field', (observation, problem) => {
  const problems = diagnosisProblems(
    keptFor({ whereabouts: {} }, '', diagnosis([observation as Observation])),
  );
  expect(problems.map(({ path, message }) => `${path} ${message}`).join()).toMatch(problem);
});

test('a sight at what is not there any more counts for nothing', () => {
  const gone: Observation = { type: 'sight', sight: 'wet', target: { type: 'device', id: 'ghost' } };
  expect(followDiagnosis(dictionary, diagnosis([gone])).stale).toEqual(['o0']);
});

test('a lifted conductor is asked about in its own call, and the answer counts', () => {
  const trying = stateId({ call: 'cool', lifted: [{ conductor: 'statY', end: 'to' }] });
  const given = diagnosis([silent], { trying });
  expect(searchKey(circuit, given, {})).not.toBe(searchKey(circuit, diagnosis([silent]), {}));
  const with_ = dictionaryFor(circuit, given, {});
  const { trial } = followDiagnosis(with_, given);
  expect(stepKey(trial!.step)).toBe(`call ${trying}`);
  const [first] = trial!.choices;
  const after = diagnosis([silent, ...first!.observed], { trying });
  const view = followDiagnosis(with_, after);
  expect(view.stale).toEqual([]);
  expect(view.trial).toBeNull();
});

test('what proves a repair is what the sound circuit does in the call that was complained of', () => {
  const site = siteWith(
    circuit,
    hypotheses.find(({ id }) => id === 'statY broken')!,
  );
  const sound = siteWith(circuit, hypotheses[0]!);
  const { state, seen } = complaintOf(sound, site)!;
  const { right } = followDiagnosis(dictionary, diagnosis(seen, { whereabouts: { ...at, state: 'off' } }));
  expect(right).toEqual(expect.arrayContaining([{ type: 'air', state, air: 'cold' }]));
  expect(right).not.toEqual(expect.arrayContaining(seen.filter(({ type }) => type === 'air')));
});

test('a class that a person calls twice as likely is, against the rest, and they keep their order by share', () => {
  const classes = classesOf(circuit, hypotheses);
  expect(classes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  const { name } = classes[0]!;
  const moved = classesOf(circuit, withHistory(circuit, hypotheses, { factors: { [name]: 2 } }));
  const odds = (share: number) => share / (1 - share);
  const before = classes.find((one) => one.name === name)!.share;
  expect(odds(moved.find((one) => one.name === name)!.share)).toBeCloseTo(2 * odds(before), 9);
});

test('a block that was looked at is certain in a search that nobody surveyed for', () => {
  const given = diagnosis([silent], { unsurveyed: true });
  const weightOf = (seen: readonly string[]) =>
    dictionaryFor(circuit, given, { seen }).hypotheses.find(({ id }) => id === 'stat otherwise')!.weight;
  expect(weightOf(['stat'])).toBeLessThan(weightOf([]) / 2);
});

// Two secondaries alike have their hots at one potential; one the wrong way round puts its own volts between them.
test('a second transformer the wrong way round shows between the two hots of a thermostat', () => {
  const all = hypothesesOf(twoTransformerSplit('Phases'));
  const reversed = all.findIndex(({ id }) => id.startsWith('statRC to on xfmr2.C'));
  const { predict } = makeDictionary(twoTransformerSplit('Phases'), all);
  const between = (i: number) => voltsBetween(predict(i, 'off').point, 'stat.RC', 'stat.RH');
  expect(all[reversed]!.failure).toMatchObject({ type: 'landing', wrong: { type: 'exchanged' } });
  expect(between(0)).toBeLessThan(1);
  expect(between(reversed)).toBeGreaterThan(24);
});
