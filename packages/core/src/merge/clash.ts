/** What two people changed differently, for a person to decide. */

export type Side = 'mine' | 'theirs';

export interface Clash {
  /** Names of fields, keys of entries and ids of list items, from the outside in; empty for the whole document. */
  path: readonly string[];
  /** `undefined` where it is not there: not yet, or not any more. */
  before: unknown;
  mine: unknown;
  theirs: unknown;
}
