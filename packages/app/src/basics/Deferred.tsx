import type { ReactNode } from 'react';
import { useDeferredValue } from 'react';

/**
 * Draws what is large after what is around it, a little at a time: the page is there at once, and answers meanwhile. Where it is
 * what one came for, it comes `first`.
 *
 * @example
 * <Deferred><Loom /></Deferred>
 */
export function Deferred({ first = false, children }: { first?: boolean; children: ReactNode }) {
  const isDue = useDeferredValue(true, first);
  return isDue ? children : null;
}
