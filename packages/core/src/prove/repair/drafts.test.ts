/** Which single changes are thought of, and which are tried first. That they are what a technician would try is common practice. */
import type { Circuit } from '../../circuit';
import { addLink, exchange, findConductor, land, lift, setValue } from '../../circuit';
import { TEMPLATES, furnaceAirConditioner, twoTransformerSplit } from '../../systems';
import type { Suspects } from './candidate';
import { tellChange } from '../../testing/tell';
import { candidatesFrom } from './candidate';
import { draftsOf } from './drafts';

const good = furnaceAirConditioner('Drafts');
const nothing: Suspects = { named: new Set(), near: new Set() };
const texts = (circuit: Circuit, words: RegExp) =>
  draftsOf(circuit)
    .map(({ change }) => tellChange(circuit, change))
    .filter((text) => words.test(text));

test('fuses come in the sizes made, the one nearest to what protects 40 VA first', () => {
  // 40 VA at 24 V is 1.67 A; protected at up to 167 % of it (NEC 450.3(B), from memory) that is 2.8 A.
  expect(texts(setValue(good, 'fuse', 'params', 'rating', 30), /A fuse/)[0]).toBe(
    'Fit a 3 A fuse for Board fuse',
  );
  expect(texts(good, /A fuse/)).not.toContain('Fit a 3 A fuse for Board fuse');
  expect(texts(good, /Fit a 5 A fuse/)).toHaveLength(1);
});

test('larger transformers, never smaller ones, and thicker wire, never thinner', () => {
  const sizes = texts(good, /VA transformer/).map((text) => Number(/(\d+) VA/.exec(text)![1]));
  expect(Math.min(...sizes)).toBeGreaterThan(40);
  const gauges = texts(good, /^Pull Outdoor cable/).map((text) => Number(/(\d+) AWG/.exec(text)![1]));
  expect(gauges).toEqual([16, 14]);
});

test('a cable of spares is not pulled anew', () => {
  const spares: Circuit = {
    ...good,
    cables: [
      ...good.cables,
      {
        id: 'unused',
        label: 'Unused cable',
        gauge: 18,
        lengthM: 5,
        conductors: [{ id: 'u1', colour: 'GN', from: null, to: null, state: 'spare' }],
      },
    ],
  };
  expect(texts(spares, /^Pull Unused/)).toEqual([]);
});

test('a transformer with two taps wired is not moved to a third', () => {
  expect(texts(good, /to its 240 V tap/)).toHaveLength(1);
  const both = addLink(good, { id: 'x', kind: 'jumper', joins: ['xfmr.P120', 'xfmr.P208'] });
  expect(texts(both, /Take the jumper off Transformer P120 and Transformer P208/)).toHaveLength(1);
  const two: Circuit = {
    ...good,
    cables: [
      ...good.cables,
      {
        id: 'second',
        label: 'Second lead',
        gauge: 18,
        lengthM: 1,
        conductors: [{ id: 's1', colour: 'BK', from: 'board.L1', to: 'xfmr.P208' }],
      },
    ],
  };
  expect(texts(two, /tap$/)).toEqual([]);
});

test('a loose end is landed where its cable ends, or taken off at its other end', () => {
  const loose = lift(good, 'statY', 'to');
  const landed = texts(loose, /^Land yellow of Thermostat cable on/);
  expect(landed).toContain('Land yellow of Thermostat cable on Furnace board Y');
  expect(landed.filter((text) => /Contactor|Thermostat [A-Z]+$/.test(text))).toEqual([]);
  expect(
    texts(loose, /^Take yellow of Thermostat cable off Thermostat Y and insulate both ends/),
  ).toHaveLength(1);
});

test('a jumper is set between the hots of a thermostat that has two, and of no other', () => {
  expect(texts(twoTransformerSplit('Drafts'), /^Set a jumper/)).toEqual([
    'Set a jumper between Thermostat RC and RH',
  ]);
  expect(texts(good, /^Set a jumper/)).toEqual([]);
});

test('nothing moves a conductor of the line side, or to another place', () => {
  const moves = texts(good, /^(Move|Exchange)/);
  expect(moves.filter((text) => /breaker|L1|L2|Disconnect/.test(text))).toEqual([]);
  expect(moves.filter((text) => /Thermostat [A-Z]+ to Furnace board/.test(text))).toEqual([]);
});

test.each(TEMPLATES)('$id: every draft names what it changes', ({ build }) => {
  const circuit = build('Drafts');
  const all = draftsOf(circuit).filter((_, i) => i % 29 === 3);
  for (const draft of all) {
    const changed = candidatesFrom(circuit, [draft], nothing)[0]?.make();
    if (!changed) continue;
    const moved = circuit.cables
      .flatMap(({ conductors }) => conductors)
      .filter((one) => {
        const now = findConductor(changed, one.id)!;
        return now.from !== one.from || now.to !== one.to;
      })
      .map(({ id }) => id);
    const set = circuit.devices.filter((one) => !changed.devices.includes(one)).map(({ id }) => id);
    expect(draft.touches).toEqual(expect.arrayContaining([...moved, ...set]));
  }
});

describe('the order', () => {
  const wrong = exchange(good, ['statY', 'to'], ['statW', 'to']);

  test('what the marks gain by comes first', () => {
    const [first] = candidatesFrom(wrong, draftsOf(wrong), nothing);
    expect(tellChange(wrong, first!.change)).toMatch(
      /^Exchange yellow of Thermostat cable and white of Thermostat cable/,
    );
    expect(first!.gain).toBe(2);
  });

  test('then what is suspected, then the least work', () => {
    const all = candidatesFrom(good, draftsOf(good), { ...nothing, named: new Set(['fuse']) });
    expect(all.slice(0, 3).every(({ change }) => /Board fuse/.test(tellChange(good, change)))).toBe(true);
    const plain = candidatesFrom(good, draftsOf(good), nothing).filter(({ gain }) => gain === 0);
    const works = plain.map(({ work }) => work);
    expect(works).toEqual([...works].sort((one, other) => one - other));
  });

  test('what cannot be made is left out, and what only moves good landings is made when wanted', () => {
    const bad = {
      change: { type: 'land' as const, conductor: 'statY', on: 'board.NONE' },
      work: 1,
      touches: [],
      make: () => land(good, 'statY', 'to', 'board.NONE'),
    };
    expect(candidatesFrom(good, [bad], nothing)).toEqual([]);
    const [lazy] = candidatesFrom(good, [{ ...bad, relands: true }], nothing);
    expect(lazy!.make()).toBeNull();
    expect(lazy!.gain).toBeLessThan(0);
  });
});

// NEC 725 keeps Class 2 apart from line voltage, from memory.
test.each([
  ['feedNeutral', 'from'],
  ['feedHot', 'to'],
  ['feedL1', 'to'],
  ['leadNeutral', 'from'],
] as const)(
  'a loose line conductor (%s) is landed on no control terminal, nor taken off',
  (conductor, end) => {
    const relanded = draftsOf(lift(good, conductor, end)).filter(
      ({ change: { type }, touches }) =>
        ['land', 'take-off', 'move'].includes(type) && touches.includes(conductor),
    );
    expect(relanded).toEqual([]);
  },
);
