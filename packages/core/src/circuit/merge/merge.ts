/**
 * Two people's changes to one circuit put together, element by element and field by field: what one changed and the other did not
 * is taken, what both changed alike is taken once, and only what both changed otherwise is asked.
 */
import type { Circuit } from '../types';
import type { Choose, Clash, Side } from './clash';
import type { Part, Parts } from './elements';
import { circuitOf, namedBy, partKey, partsOf, renamed, samePart, sameValue } from './elements';
import { fitted } from './fitted';

export interface Merged {
  circuit: Circuit;
  clashes: readonly Clash[];
}

/** Elements that a side changed or added, and those that it has named anew. */
function touchedBy(base: Parts, side: Parts): ReadonlySet<string> {
  const touched = new Set<string>();
  for (const [key, part] of side) {
    const before = base.get(key);
    if (samePart(before, part)) continue;
    touched.add(key);
    const named = before ? namedBy(before) : [];
    for (const one of namedBy(part)) if (!named.includes(one)) touched.add(one);
  }
  return touched;
}

/** Both sides of one merge, and what is found in it. */
interface Merging {
  base: Parts;
  mine: Parts;
  theirs: Parts;
  decide: (clash: Clash) => Side | undefined;
}

/** An element that all have: each field from whoever changed it. */
function mergeFields({ base, mine, theirs, decide }: Merging, key: string): Part {
  const [was, own, other] = [base.get(key)!, mine.get(key)!, theirs.get(key)!];
  const fields = new Map<string, unknown>();
  for (const field of new Set([...was.fields.keys(), ...other.fields.keys(), ...own.fields.keys()])) {
    const [before, one, two] = [was, own, other].map((part) => part.fields.get(field));
    const asked = !sameValue(one, before) && !sameValue(two, before) && !sameValue(one, two);
    const clash = { type: 'field', element: was.type, id: was.id, field, mine: one, theirs: two } as const;
    const isMine = asked ? decide(clash) === 'mine' : sameValue(two, before);
    const value = isMine ? one : two;
    if (value !== undefined) fields.set(field, value);
  }
  return { type: was.type, id: was.id, fields };
}

/** Every element of the merge, and those that were decided to be gone. */
function mergeParts(merging: Merging): { merged: Map<string, Part>; gone: Set<string> } {
  const { base, mine, theirs, decide } = merging;
  const touched = { mine: touchedBy(base, mine), theirs: touchedBy(base, theirs) };
  const merged = new Map<string, Part>();
  const gone = new Set<string>();
  for (const key of new Set([...base.keys(), ...theirs.keys(), ...mine.keys()])) {
    const [was, own, other] = [base.get(key), mine.get(key), theirs.get(key)];
    if (was && own && other) merged.set(key, mergeFields(merging, key));
    else if (!was) merged.set(key, (other ?? own)!);
    else if (own ?? other) {
      const left = (own ?? other)!;
      const goneBy: Side = own ? 'theirs' : 'mine';
      // What the other side did not touch goes without a question; it comes back where something that stays names it.
      if (!touched[own ? 'mine' : 'theirs'].has(key)) continue;
      const isGone = decide({ type: 'gone', element: was.type, id: was.id, goneBy }) === goneBy;
      if (isGone) gone.add(key);
      else merged.set(key, left);
    }
  }
  return { merged, gone };
}

/** What is still named comes back, though somebody took it away: a device that stays stands in its place. */
function complete(merged: Map<string, Part>, gone: Set<string>, { base, mine, theirs }: Merging): void {
  const waiting = [...merged.values()];
  for (let part = waiting.pop(); part; part = waiting.pop())
    for (const key of namedBy(part)) {
      const lost =
        merged.has(key) || gone.has(key) ? undefined : (mine.get(key) ?? theirs.get(key) ?? base.get(key));
      if (!lost) continue;
      merged.set(key, lost);
      waiting.push(lost);
    }
}

/** Names that both gave to something of their own, with another for mine. */
function collisions(base: Parts, mine: Parts, theirs: Parts): Map<string, string> {
  const names = new Map<string, string>();
  for (const [key, { type, id }] of mine) {
    if (base.has(key) || !theirs.has(key) || samePart(mine.get(key), theirs.get(key))) continue;
    const isTaken = (other: string) => [base, mine, theirs].some((side) => side.has(partKey(type, other)));
    let n = 2;
    while (isTaken(`${id}-${n}`)) n++;
    names.set(key, `${id}-${n}`);
  }
  return names;
}

/** In the order of the base; then what was added, as whoever alone added it did, or by name where both did. */
function inOrder({ base, mine, theirs }: Merging, merged: ReadonlyMap<string, Part>): Part[] {
  const [own, other] = [mine, theirs].map((side) => [...side.keys()].filter((key) => !base.has(key)));
  const added =
    own!.length > 0 && other!.length > 0 ? [...new Set([...own!, ...other!])].sort() : [...own!, ...other!];
  return [...base.keys(), ...added].flatMap((key) => merged.get(key) ?? []);
}

/**
 * @param base - the circuit both began with.
 * @param mine - changed here.
 * @param theirs - changed elsewhere, and stored.
 */
export function mergeCircuits(
  base: Circuit,
  mine: Circuit,
  theirs: Circuit,
  choose: Choose = () => undefined,
): Merged {
  if (sameValue(theirs, base)) return { circuit: mine, clashes: [] };
  if (sameValue(mine, base)) return { circuit: theirs, clashes: [] };
  const [was, own, other] = [base, mine, theirs].map(partsOf) as [Parts, Parts, Parts];
  const names = collisions(was, own, other);
  const named = [...own.values()].map((part) => renamed(part, names));
  const clashes: Clash[] = [];
  const decide = (clash: Clash) => {
    clashes.push(clash);
    return choose(clash);
  };
  const merging: Merging = {
    base: was,
    mine: new Map(named.map((part) => [partKey(part.type, part.id), part])),
    theirs: other,
    decide,
  };
  const { merged, gone } = mergeParts(merging);
  complete(merged, gone, merging);
  const circuit = circuitOf(theirs, inOrder(merging, merged));
  return { circuit: fitted(circuit, { mine, theirs, decide }), clashes };
}
