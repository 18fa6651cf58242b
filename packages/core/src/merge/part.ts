/** What a document is made of, as far as two people may change it apart from one another. */

/** A part of a document, and how two changes of it are put together. */
export type Part =
  /** Changed as a whole: two different changes of it are asked about. */
  | { type: 'value' }
  /** An object whose fields are parts of their own. */
  | { type: 'fields'; of: Readonly<Record<string, Part>> }
  /** An object with entries of one sort under names that people add and remove. */
  | { type: 'map'; of: Part }
  /** A list of objects, each known by the text in its field `key`. */
  | { type: 'list'; key: string; of: Part }
  /** A list of texts, each in it once. */
  | { type: 'set' }
  /** A list of objects with an `id` that are only ever added. */
  | { type: 'events' }
  /** `null`, or a part. With `key` two of them are the same thing only where that field of both is equal. */
  | { type: 'nullable'; of: Part; key?: string }
  /** A part with a merge of its own; `undefined` where that cannot decide, and the whole is asked about. */
  | { type: 'own'; merge: (base: unknown, mine: unknown, theirs: unknown) => unknown };

export const value = (): Part => ({ type: 'value' });
export const fields = (of: Readonly<Record<string, Part>>): Part => ({ type: 'fields', of });
export const map = (of: Part = value()): Part => ({ type: 'map', of });
export const list = (of: Part = value(), key = 'id'): Part => ({ type: 'list', key, of });
export const set = (): Part => ({ type: 'set' });
export const events = (): Part => ({ type: 'events' });
export const nullable = (of: Part, key?: string): Part => ({
  type: 'nullable',
  of,
  ...(key !== undefined && { key }),
});
export const own = (merge: (base: unknown, mine: unknown, theirs: unknown) => unknown): Part => ({
  type: 'own',
  merge,
});
