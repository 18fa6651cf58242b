/** A document with a clash decided. */
import type { Part } from './part';

type Names = Readonly<Record<string, unknown>>;

/** A document with something put at a path, or taken away from there with `undefined`. */
function putAt(part: Part, whole: unknown, path: readonly string[], chosen: unknown): unknown {
  const [name, ...rest] = path;
  if (name === undefined) return chosen;
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
 * Takes one side of a clash into a document.
 *
 * @param whole - the document as it is by now; what else was changed in it stays.
 */
export const withDecision = <T>(part: Part, whole: T, path: readonly string[], chosen: unknown): T =>
  putAt(part, whole, path, chosen) as T;
