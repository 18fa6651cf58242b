import type { Clash } from '../merge';
import { mergeParts } from '../merge';
import type { DocumentKind } from './declare';

/**
 * Two changes of one document put together; what does not fit together then is mended.
 *
 * @param base - what both began with; `undefined` where that is not known.
 * @param mine - changed here.
 * @param theirs - changed elsewhere, and stored.
 */
export function mergeDocuments<T>(
  { part, fit }: Pick<DocumentKind<T>, 'part' | 'fit'>,
  base: T | undefined,
  mine: T,
  theirs: T,
): { value: T; clashes: readonly Clash[] } {
  const { value, clashes } = mergeParts(part, base, mine, theirs);
  return { value: fit ? fit(value) : value, clashes };
}
