/** A document with a clash decided. */
import type { Clash, Side } from './clash';
import type { Part } from './part';

type Names = Readonly<Record<string, unknown>>;

/** Whether what is there is the thing that was chosen, with whatever has happened to it since. */
const isNow = (part: Part, whole: unknown, chosen: unknown): boolean =>
  part.type === 'nullable' &&
  part.key !== undefined &&
  isObject(whole) &&
  isObject(chosen) &&
  whole[part.key] === chosen[part.key];

const isObject = (one: unknown): one is Names => typeof one === 'object' && one !== null;

/** A document with something put at a path, or taken away from there with `undefined`. */
function putAt(part: Part, whole: unknown, path: readonly string[], chosen: unknown): unknown {
  const [name, ...rest] = path;
  if (name === undefined) return isNow(part, whole, chosen) ? whole : chosen;
  if (part.type === 'nullable') return whole === null ? whole : putAt(part.of, whole, path, chosen);
  if (part.type === 'list') {
    const items = (whole ?? []) as readonly Names[];
    const at = items.findIndex((item) => String(item[part.key]) === name);
    const next = putAt(part.of, items[at], rest, chosen);
    if (next === undefined) return items.filter((_item, i) => i !== at);
    return at < 0 ? [...items, next] : items.map((item, i) => (i === at ? next : item));
  }
  const inner: Part =
    part.type === 'map' ? part.of : (part.type === 'fields' && part.of[name]) || { type: 'value' };
  const { [name]: was, ...others } = (whole ?? {}) as Names;
  const next = putAt(inner, was, rest, chosen);
  return next === undefined ? others : { ...(whole as object), [name]: next };
}

/**
 * A document with one side of a clash taken into it. What was stored counts until somebody decides, and may have been changed since: to
 * decide for it leaves it as it is by now.
 *
 * @param whole - the document as it is by now; what else was changed in it stays.
 */
export function withDecision<T>(part: Part, whole: T, clash: Clash, side: Side): T {
  const { path, mine, theirs } = clash;
  if (side === 'theirs' && theirs !== undefined && theirs !== null) return whole;
  return putAt(part, whole, path, side === 'mine' ? mine : theirs) as T;
}
