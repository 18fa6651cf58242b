/**
 * Two people's changes to one document put together, part by part (a three-way merge, as diff3 does it with lines): what one changed
 * and the other did not is taken, what both changed alike is taken once, and what both changed differently is asked about.
 */
import equal from 'fast-deep-equal';
import type { Clash } from './clash';
import type { Part } from './part';

export interface Merged<T> {
  /** Everything both did. Where they clash it holds what is stored, and takes nothing away. */
  value: T;
  clashes: readonly Clash[];
}

type Names = Readonly<Record<string, unknown>>;
type Item = Readonly<Record<string, unknown>>;

interface Sides<T = unknown> {
  base: T;
  mine: T;
  theirs: T;
}

/** Names of three things in the order of the first; what was added comes behind, the same whoever merges. */
function namesOf(base: readonly string[], mine: readonly string[], theirs: readonly string[]): string[] {
  const known = new Set(base);
  const [own, other] = [mine, theirs].map((side) => side.filter((name) => !known.has(name))) as [
    string[],
    string[],
  ];
  if (own.length === 0 || other.length === 0 || equal(own, other))
    return [...new Set([...base, ...own, ...other])];
  return [...base, ...[...new Set([...own, ...other])].sort()];
}

/** Whether events may be somewhere in a part. */
const holdsEvents = (part: Part): boolean =>
  part.type === 'events' ||
  (part.type === 'nullable' && holdsEvents(part.of)) ||
  (part.type === 'fields' && Object.values(part.of).some(holdsEvents));

const isThere = (side: unknown) => side !== undefined && side !== null;

/** Whether a part is gone through whatever is equal in it: no event may go because a side has it no more. */
const isWhole = (part: Part, mine: unknown, theirs: unknown): boolean =>
  holdsEvents(part) &&
  isThere(mine) &&
  isThere(theirs) &&
  (part.type !== 'nullable' || part.key === undefined || isSameThing(part.key, mine, theirs));

const isSameThing = (key: string, one: unknown, other: unknown): boolean =>
  (one as Item | null | undefined)?.[key] === (other as Item | null | undefined)?.[key];

class Merge {
  readonly clashes: Clash[] = [];

  /** `undefined` stands for what is not there. */
  part(part: Part, { base, mine, theirs }: Sides, path: readonly string[]): unknown {
    if (part.type === 'events') return mergedEvents({ base, mine, theirs });
    if (!isWhole(part, mine, theirs)) {
      if (equal(mine, theirs) || equal(base, theirs)) return mine;
      if (equal(base, mine)) return theirs;
    }
    if (part.type === 'set')
      return mergedSet({ base: base ?? [], mine: mine ?? [], theirs: theirs ?? [] } as Sides<
        readonly string[]
      >);
    if (mine === undefined || theirs === undefined) return this.gone({ base, mine, theirs }, path);
    switch (part.type) {
      case 'value':
        return this.asked({ base, mine, theirs }, path);
      case 'own': {
        const merged = base === undefined ? undefined : part.merge(base, mine, theirs);
        return merged === undefined ? this.asked({ base, mine, theirs }, path) : merged;
      }
      case 'nullable':
        return this.nullable(part, { base, mine, theirs }, path);
      case 'fields':
        return this.named({ base: base ?? {}, mine, theirs } as Sides<Names>, path, (name) =>
          Object.hasOwn(part.of, name) ? part.of[name]! : { type: 'value' },
        );
      case 'map':
        return this.named({ base: base ?? {}, mine, theirs } as Sides<Names>, path, () => part.of);
      case 'list':
        return this.list(part, { base: base ?? [], mine, theirs } as Sides<readonly Item[]>, path);
    }
  }

  /** Asks, and leaves what is stored. */
  private asked({ base, mine, theirs }: Sides, path: readonly string[]): unknown {
    this.clashes.push({ path, before: base, mine, theirs });
    return theirs;
  }

  /** One took away what the other changed: it is asked about, and stays until somebody decides. */
  private gone({ base, mine, theirs }: Sides, path: readonly string[]): unknown {
    this.clashes.push({ path, before: base, mine, theirs });
    return mine ?? theirs;
  }

  private nullable(
    part: Extract<Part, { type: 'nullable' }>,
    { base, mine, theirs }: Sides,
    path: readonly string[],
  ): unknown {
    if (mine === null || theirs === null) {
      if (base !== null && base !== undefined) this.clashes.push({ path, before: base, mine, theirs });
      return mine ?? theirs;
    }
    const { key, of } = part;
    if (key !== undefined && !isSameThing(key, mine, theirs)) return this.asked({ base, mine, theirs }, path);
    const isSame = isThere(base) && (key === undefined || isSameThing(key, base, mine));
    return this.part(of, { base: isSame ? base : undefined, mine, theirs }, path);
  }

  private named(
    { base, mine, theirs }: Sides<Names>,
    path: readonly string[],
    partOf: (name: string) => Part,
  ): Names {
    const merged: Record<string, unknown> = {};
    for (const name of namesOf(Object.keys(base), Object.keys(mine), Object.keys(theirs))) {
      const of = (side: Names) => (Object.hasOwn(side, name) ? side[name] : undefined);
      const sides = { base: of(base), mine: of(mine), theirs: of(theirs) };
      const one = this.part(partOf(name), sides, [...path, name]);
      if (one !== undefined) merged[name] = one;
    }
    return merged;
  }

  private list(
    { key, of }: Extract<Part, { type: 'list' }>,
    { base, mine, theirs }: Sides<readonly Item[]>,
    path: readonly string[],
  ): readonly Item[] {
    const idOf = (item: Item) => String(item[key]);
    const [was, own, other] = [base, mine, theirs].map(
      (side) => new Map(side.map((item) => [idOf(item), item])),
    ) as [Map<string, Item>, Map<string, Item>, Map<string, Item>];
    return namesOf([...was.keys()], [...own.keys()], [...other.keys()]).flatMap((id) => {
      const sides = { base: was.get(id), mine: own.get(id), theirs: other.get(id) };
      const item = this.part(of, sides, [...path, id]) as Item | undefined;
      return item ? [item] : [];
    });
  }
}

function mergedSet({ base, mine, theirs }: Sides<readonly string[]>): readonly string[] {
  const [was, own, other] = [new Set(base), new Set(mine), new Set(theirs)];
  return namesOf(base, mine, theirs).filter((one) =>
    was.has(one) ? own.has(one) && other.has(one) : own.has(one) || other.has(one),
  );
}

function mergedEvents({ base, mine, theirs }: Sides): unknown {
  const [was, own, other] = [base, mine, theirs].map(
    (side) => new Map(((side ?? []) as Item[]).map((event) => [String(event.id), event])),
  ) as [Map<string, Item>, Map<string, Item>, Map<string, Item>];
  if ([base, mine, theirs].every((side) => side === undefined)) return undefined;
  return namesOf([...was.keys()], [...own.keys()], [...other.keys()]).map(
    (id) => was.get(id) ?? other.get(id) ?? own.get(id),
  );
}

/**
 * @param base - what both began with; `undefined` where that is not known: nothing is taken away then.
 * @param mine - changed here.
 * @param theirs - changed elsewhere, and stored.
 */
export function mergeParts<T>(part: Part, base: T | undefined, mine: T, theirs: T): Merged<T> {
  const merge = new Merge();
  const merged = merge.part(part, { base, mine, theirs }, []) as T;
  return { value: merged, clashes: merge.clashes };
}
