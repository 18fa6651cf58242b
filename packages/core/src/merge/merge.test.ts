/**
 * Three-way merge by parts. That it takes what one side alone changed, is the same whichever side merges, loses nothing and asks only
 * where both differ is what "three-way merge" means (diff3); documents and changes are drawn at random.
 */
import * as fc from 'fast-check';
import type { Clash, Part } from '.';
import { events, fields, list, lostEvents, map, mergeParts, nullable, set, value, withDecision } from '.';

interface Item {
  id: string;
  note: string;
  marks: Record<string, number>;
}
interface Doc {
  title: string;
  seen: string[];
  answers: Record<string, string>;
  items: Item[];
  log: { id: string; text: string }[];
  plan: { id: string; name: string } | null;
}

const part: Part = fields({
  title: value(),
  seen: set(),
  answers: map(),
  items: list(fields({ note: value(), marks: map() })),
  log: events(),
  plan: nullable(fields({ name: value() }), 'id'),
});

const word = fc.constantFrom('a', 'b', 'c', 'd');
const doc: fc.Arbitrary<Doc> = fc
  .record({
    title: word,
    seen: fc.uniqueArray(word),
    answers: fc.dictionary(word, word),
    items: fc.uniqueArray(fc.record({ id: word, note: word, marks: fc.dictionary(word, fc.nat(3)) }), {
      selector: ({ id }) => id,
    }),
    log: fc.constant([]),
    plan: fc.option(fc.record({ id: fc.constantFrom('p', 'q'), name: word })),
  })
  // Plain, as JSON has it.
  .map((one) => JSON.parse(JSON.stringify(one)) as Doc);

/** One change a person might make. */
const change = fc.oneof(
  word.map((to) => (one: Doc): Doc => ({ ...one, title: to })),
  word.map((to) => (one: Doc): Doc => ({
    ...one,
    seen: one.seen.includes(to) ? one.seen.filter((other) => other !== to) : [...one.seen, to],
  })),
  fc
    .tuple(word, word)
    .map(([name, to]) => (one: Doc): Doc => ({ ...one, answers: { ...one.answers, [name]: to } })),
  word.map((name) => (one: Doc): Doc => {
    const { [name]: _gone, ...answers } = one.answers;
    return { ...one, answers };
  }),
  word.map((id) => (one: Doc): Doc => ({ ...one, items: one.items.filter((item) => item.id !== id) })),
  fc.tuple(word, word).map(([id, note]) => (one: Doc): Doc => ({
    ...one,
    items: one.items.some((item) => item.id === id)
      ? one.items.map((item) => (item.id === id ? { ...item, note } : item))
      : [...one.items, { id, note, marks: {} }],
  })),
  fc.tuple(word, word, fc.nat(3)).map(([id, mark, n]) => (one: Doc): Doc => ({
    ...one,
    items: one.items.map((item) =>
      item.id === id ? { ...item, marks: { ...item.marks, [mark]: n } } : item,
    ),
  })),
  fc.uuid().map(
    (id) =>
      (one: Doc): Doc =>
        one.log.some((event) => event.id === id) ? one : { ...one, log: [...one.log, { id, text: id }] },
  ),
  fc
    .constantFrom({ id: 'p', name: 'x' }, { id: 'q', name: 'y' }, null)
    .map((plan) => (one: Doc): Doc => ({ ...one, plan })),
);
const changes = fc.array(change, { maxLength: 6 });
const sides = fc.tuple(doc, changes, changes).map(([base, own, other]) => ({
  base,
  mine: own.reduce((now, to) => to(now), base),
  theirs: other.reduce((now, to) => to(now), base),
}));
const RUNS = { numRuns: 500 };

const merge = ({ base, mine, theirs }: { base: Doc; mine: Doc; theirs: Doc }) =>
  mergeParts(part, base, mine, theirs);
const mirrored = (clash: Clash): Clash => ({ ...clash, mine: clash.theirs, theirs: clash.mine });
const told = (clashes: readonly Clash[]) => clashes.map((clash) => JSON.stringify(clash.path)).sort();

/** Every single thing a document holds, by path. */
function leaves(one: unknown, path: string): [string, string][] {
  if (Array.isArray(one))
    return one.flatMap((item: unknown) =>
      typeof item === 'object' && item !== null
        ? leaves(item, `${path}/${(item as { id: string }).id}`)
        : [[`${path}/${String(item)}`, 'there'] as [string, string]],
    );
  if (typeof one === 'object' && one !== null)
    return Object.entries(one).flatMap(([name, inner]) => leaves(inner, `${path}/${name}`));
  return [[path, JSON.stringify(one)]];
}

test('with a side that changed nothing, the other is what there is, and nothing is asked', () => {
  fc.assert(
    fc.property(sides, ({ base, mine }) => {
      expect(merge({ base, mine, theirs: base })).toEqual({ value: mine, clashes: [] });
      expect(merge({ base, mine: base, theirs: mine })).toEqual({ value: mine, clashes: [] });
      expect(merge({ base, mine, theirs: mine })).toEqual({ value: mine, clashes: [] });
    }),
    RUNS,
  );
});

test('it is the same whoever merges: what is asked, and where nothing is asked what comes of it', () => {
  fc.assert(
    fc.property(sides, ({ base, mine, theirs }) => {
      const [one, other] = [merge({ base, mine, theirs }), merge({ base, mine: theirs, theirs: mine })];
      expect(told(one.clashes.map(mirrored))).toEqual(told(other.clashes));
      if (one.clashes.length === 0) expect(one.value).toEqual(other.value);
    }),
    RUNS,
  );
});

test('no change of either side vanishes that is not asked about', () => {
  fc.assert(
    fc.property(sides, ({ base, mine, theirs }) => {
      const { value: merged, clashes } = merge({ base, mine, theirs });
      const [was, now] = [new Map(leaves(base, '')), new Map(leaves(merged, ''))];
      const isAsked = (path: string) =>
        clashes.some((clash) => `${path}/`.startsWith(`/${clash.path.join('/')}/`));
      for (const side of [mine, theirs]) {
        const own = new Map(leaves(side, ''));
        for (const path of new Set([...own.keys(), ...was.keys()])) {
          const isChanged = own.get(path) !== was.get(path);
          // What the other added within something that this side took away is asked about with the whole of it.
          if (isChanged && !isAsked(path)) expect([path, now.get(path)]).toEqual([path, own.get(path)]);
        }
      }
    }),
    RUNS,
  );
});

test('what is decided stands, and nothing else is changed by it', () => {
  fc.assert(
    fc.property(sides, fc.constantFrom('mine', 'theirs'), ({ base, mine, theirs }, side) => {
      const { value: merged, clashes } = merge({ base, mine, theirs });
      const decided = clashes.reduce((now, clash) => withDecision(part, now, clash, side), merged);
      // Merged once more with what was decided as mine, nothing is asked: both sides' other changes are in it.
      for (const clash of clashes) {
        const at = clash.path.reduce<unknown>(
          (now, name) =>
            Array.isArray(now)
              ? now.find((item: Item) => item.id === name)
              : (now as Record<string, unknown> | null | undefined)?.[name],
          decided,
        );
        expect(at ?? null).toEqual(clash[side] ?? null);
      }
    }),
    RUNS,
  );
});

test('where what both began with is not known, nothing is taken away', () => {
  const one: Doc = { title: 'a', seen: ['a'], answers: { a: 'a' }, items: [], log: [], plan: null };
  const other: Doc = { ...one, seen: ['b'], answers: { b: 'b' }, log: [{ id: 'e', text: 'x' }] };
  const { value: merged, clashes } = mergeParts(part, undefined, one, other);
  expect(clashes).toEqual([]);
  expect(merged).toEqual({ ...one, seen: ['a', 'b'], answers: { a: 'a', b: 'b' }, log: other.log });
});

test('events are never lost by a merge, nor by a save that leaves them out', () => {
  const base: Doc = {
    title: 'a',
    seen: [],
    answers: {},
    items: [],
    log: [{ id: 'e1', text: 'x' }],
    plan: null,
  };
  const emptied = { ...base, log: [] };
  expect(merge({ base, mine: emptied, theirs: base }).value.log).toEqual(base.log);
  expect(merge({ base, mine: base, theirs: emptied }).value.log).toEqual(base.log);
  expect(lostEvents(part, base, emptied)).toEqual(['log.e1']);
  expect(lostEvents(part, base, { ...base, title: 'b' })).toEqual([]);
});

test('two things of one name are each by itself where their key differs', () => {
  const base: Doc = { title: 'a', seen: [], answers: {}, items: [], log: [], plan: null };
  const { clashes } = merge({
    base,
    mine: { ...base, plan: { id: 'p', name: 'x' } },
    theirs: { ...base, plan: { id: 'q', name: 'x' } },
  });
  expect(clashes).toEqual([
    { path: ['plan'], before: null, mine: { id: 'p', name: 'x' }, theirs: { id: 'q', name: 'x' } },
  ]);
});

test('to decide for what is stored leaves what has happened to it since', () => {
  const base: Doc = { title: 'a', seen: [], answers: {}, items: [], log: [], plan: null };
  const [mine, theirs] = [
    { ...base, plan: { id: 'p', name: 'x' } },
    { ...base, plan: { id: 'q', name: 'y' } },
  ];
  const [clash] = merge({ base, mine, theirs }).clashes;
  const since = { ...theirs, plan: { id: 'q', name: 'later' } };
  expect(withDecision(part, since, clash!, 'theirs')).toBe(since);
  expect(withDecision(part, since, clash!, 'mine').plan).toEqual(mine.plan);
  // Mine was taken up meanwhile by somebody else, and worked on.
  const worked = { ...base, plan: { id: 'p', name: 'worked on' } };
  expect(withDecision(part, worked, clash!, 'mine')).toEqual(worked);
});
