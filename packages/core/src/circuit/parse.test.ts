import * as fc from 'fast-check';
import { circuitFromJson, circuitToJson } from '../formats';
import { TEMPLATES, furnaceAirConditioner } from '../systems';
import { findConductor, setConductor } from '.';
import { CircuitError, parseCircuit } from './parse';

const good = () => structuredClone(furnaceAirConditioner('Good')) as unknown as Record<string, unknown>;

type Path = readonly (string | number)[];

/** A good document with one place in it set to something else. */
function spoiled(path: Path, value: unknown): unknown {
  const document = good();
  const parent = path
    .slice(0, -1)
    .reduce<unknown>((at, key) => (at as Record<string | number, unknown>)[key], document);
  (parent as Record<string | number, unknown>)[path[path.length - 1]!] = value;
  return document;
}

const problemsOf = (input: unknown) => {
  try {
    parseCircuit(input);
    return [];
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
    return error.problems;
  }
};

test.each(TEMPLATES)('template $id is valid and survives its own file format', ({ build }) => {
  const circuit = build('Round trip');
  expect(circuitFromJson(circuitToJson(circuit))).toEqual(circuit);
});

test.each<[string, Path, unknown, string, RegExp]>([
  ['another format', ['format'], 'drawing', 'format', /zygostat-circuit/],
  ['a later version', ['version'], 3, 'version', /the versions this program reads/],
  ['an unknown field', ['colour'], 'red', 'document', /unknown field colour/],
  ['an empty name', ['name'], '', 'name', /empty/],
  ['NaN metres', ['cables', 0, 'lengthM'], NaN, 'cables[0].lengthM', /number|finite/],
  ['negative metres', ['cables', 0, 'lengthM'], -3, 'cables[0].lengthM', /at least/],
  ['text for metres', ['cables', 0, 'lengthM'], '15', 'cables[0].lengthM', /number/],
  ['an unknown gauge', ['cables', 0, 'gauge'], 17, 'cables[0].gauge', /AWG/],
  [
    'a colour without a code',
    ['cables', 0, 'conductors', 1, 'colour'],
    'yellow',
    'cables[0].conductors[1].colour',
    /one of/,
  ],
  [
    'a dangling device',
    ['cables', 0, 'conductors', 1, 'to'],
    'attic.R',
    'cables[0].conductors[1].to',
    /no device "attic"/,
  ],
  [
    'an unknown designation',
    ['cables', 0, 'conductors', 1, 'to'],
    'board.Q',
    'cables[0].conductors[1].to',
    /not one of R/,
  ],
  [
    'a conductor on one terminal',
    ['cables', 0, 'conductors', 1, 'to'],
    'stat.Y',
    'cables[0].conductors[1].to',
    /other end/,
  ],
  ['a repeated id', ['devices', 1, 'id'], 'stat', 'devices[1].id', /repeats/],
  [
    'a repeated conductor id',
    ['cables', 1, 'conductors', 0, 'id'],
    'statR',
    'cables[1].conductors[0].id',
    /repeats/,
  ],
  ['a kind outside the catalogue', ['devices', 0, 'kind'], 'toaster', 'devices[0].kind', /catalogue/],
  ['a station that is not there', ['devices', 0, 'station'], 'moon', 'devices[0].station', /no station/],
  ['a negative param', ['devices', 3, 'params'], { va: -40 }, 'devices[3].params.va', /number from 5/],
  ['a NaN param', ['devices', 3, 'params'], { va: NaN }, 'devices[3].params.va', /number from 5/],
  ['an unknown param', ['devices', 3, 'params'], { vah: 40 }, 'devices[3].params.vah', /not one of va/],
  [
    'a prototype key as a param',
    ['devices', 3, 'params'],
    { constructor: 1 },
    'devices[3].params.constructor',
    /not one of/,
  ],
  [
    'an unknown setting value',
    ['devices', 3, 'settings'],
    { phase: 'odd' },
    'devices[3].settings.phase',
    /normal, reversed/,
  ],
  [
    'a jumper with one end',
    ['links'],
    [{ id: 'j', kind: 'jumper', joins: ['board.R'] }],
    'links[0].joins',
    /two/,
  ],
  [
    'a jumper onto itself',
    ['links'],
    [{ id: 'j', kind: 'jumper', joins: ['board.R', 'board.R'] }],
    'links[0].joins',
    /twice/,
  ],
])('refuses %s and says where', (_what, path, value, where, why) => {
  const problems = problemsOf(spoiled(path, value));
  expect(problems.map((problem) => problem.path)).toContain(where);
  expect(problems.find((problem) => problem.path === where)!.message).toMatch(why);
});

test.each([null, undefined, 7, 'circuit', [], () => 0])('refuses %p', (input) => {
  expect(problemsOf(input).length).toBeGreaterThan(0);
});

test('whatever comes in, the answer is a circuit or a CircuitError', () => {
  fc.assert(
    fc.property(fc.anything(), (input) => {
      problemsOf(input);
    }),
  );
});

test('text that is not JSON is refused by name', () => {
  expect(() => circuitFromJson('{"format":')).toThrow(/document is not JSON/);
  expect(() => circuitFromJson(`"${'x'.repeat(2_100_000)}"`)).toThrow(/document has 2\.0 MB/);
});

test('names that look like markup or SQL are only names', () => {
  const name = `<img src=x onerror=alert(1)>'; DROP TABLE jobs; --`;
  expect(parseCircuit(spoiled(['name'], name)).name).toBe(name);
});

test('in version 1 one text was tag, number and state: each is read in as what it was', () => {
  const good = furnaceAirConditioner('Older');
  const [cable, ...rest] = good.cables;
  const tags = ['dead', 'spare', '14', 'to boiler'];
  const conductors = cable!.conductors.slice(0, 4).map((one, i) => ({ ...one, tag: tags[i] }));
  const older = { ...good, version: 1, cables: [{ ...cable, conductors }, ...rest] };
  const read = parseCircuit(JSON.parse(JSON.stringify(older)));
  expect(read.version).toBe(2);
  expect(read.cables[0]!.conductors.map(({ tag, number, state }) => [tag, number, state])).toEqual([
    [undefined, undefined, 'broken'],
    [undefined, undefined, 'spare'],
    [undefined, '14', undefined],
    ['to boiler', undefined, undefined],
  ]);
});

test('a wire marked broken keeps its number, and a tag that says “dead” breaks nothing', () => {
  const good = furnaceAirConditioner('Marks');
  const { id } = good.cables[0]!.conductors[0]!;
  const numbered = setConductor(good, id, { number: '14' });
  const broken = setConductor(numbered, id, { state: 'broken' });
  expect(findConductor(broken, id)).toMatchObject({ number: '14', state: 'broken' });
  expect(setConductor(broken, id, { state: null })).toEqual(numbered);
  expect(
    parseCircuit({
      ...good,
      cables: [
        { ...good.cables[0]!, conductors: [{ ...good.cables[0]!.conductors[0]!, tag: 'dead' }] },
        ...good.cables.slice(1),
      ],
    }).cables[0]!.conductors[0],
  ).not.toHaveProperty('state');
});
