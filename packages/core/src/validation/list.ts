/**
 * Lists, checked so that no body can keep a program busy: how long one is before what is in it, one item after another, and no further
 * than the first hundred faults. (Yup by itself checks every item of a list that is too long, and makes a stack trace for each fault.)
 */
import * as yup from 'yup';

/** A file worse than this is the wrong file. */
const MOST_FAULTS = 100;

/** How everything is checked: all faults, nothing changed, and no stack for each. */
export const ALL_FAULTS = { abortEarly: false, strict: true, disableStackTrace: true } as const;

type Checked = Pick<yup.Schema, 'validateSync'> | Pick<ReturnType<typeof yup.lazy>, 'validateSync'>;

/** Faults of an item, by their path in the whole. */
function faultsOf(of: Checked, item: unknown, path: string): yup.ValidationError[] {
  try {
    of.validateSync(item, ALL_FAULTS);
    return [];
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error;
    const found = error.inner.length > 0 ? error.inner : [error];
    return found.map((fault) => {
      const inner = fault.path ?? '';
      const at = inner === '' ? path : inner.startsWith('[') ? `${path}${inner}` : `${path}.${inner}`;
      // Yup begins some of its own sentences with the path.
      const lead = inner === '' ? 'this' : inner;
      const message = fault.message.startsWith(`${lead} `)
        ? fault.message.slice(lead.length + 1)
        : fault.message;
      return new yup.ValidationError(message, fault.value, at, fault.type, true);
    });
  }
}

/**
 * A list of at most so many items.
 *
 * @param of - what each item is.
 * @param words - what is said of a list that is longer.
 */
export function listOf<T extends yup.ISchema<unknown>>(
  of: T,
  most: number,
  words = `must have at most ${most} entries`,
): yup.ArraySchema<T['__outputType'][] | undefined, yup.AnyObject> {
  const list = yup
    .array()
    .strict()
    // For whoever describes the schema: what `of` and `max` would have said of it.
    .meta({ items: of, most })
    .test('items', words, (given: readonly unknown[] | null | undefined, { path, createError }) => {
      if (!Array.isArray(given)) return true;
      if (given.length > most) return createError();
      const faults: yup.ValidationError[] = [];
      for (let i = 0; i < given.length && faults.length < MOST_FAULTS; i++)
        faults.push(...faultsOf(of as unknown as Checked, given[i], `${path}[${i}]`));
      return (
        faults.length === 0 ||
        new yup.ValidationError(faults.slice(0, MOST_FAULTS), given, path, 'items', true)
      );
    });
  return list as unknown as yup.ArraySchema<T['__outputType'][] | undefined, yup.AnyObject>;
}
