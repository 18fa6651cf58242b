/** What two people's changes do not agree on. */
import type { ElementType } from './elements';

export type Side = 'mine' | 'theirs';

/** What both changed, each otherwise. */
export type Clash =
  /** A field of an element; `from` and `to` of a conductor are its ends. `undefined` is the default. */
  | { type: 'field'; element: ElementType; id: string; field: string; mine: unknown; theirs: unknown }
  /** An element that one took away, and the other changed or joined something to. */
  | { type: 'gone'; element: ElementType; id: string; goneBy: Side };

/** Which side a clash is decided for; until it is, what stands on the server, and nothing is taken away. */
export type Choose = (clash: Clash) => Side | undefined;
