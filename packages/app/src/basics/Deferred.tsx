import type { ReactNode } from 'react';
import { useDeferredValue } from 'react';

/**
 * Draws what is large after what is around it, a little at a time: the page is there at once, and answers meanwhile.
 *
 * @example
 * <Deferred><Loom /></Deferred>
 */
export function Deferred({ children }: { children: ReactNode }) {
  const isDue = useDeferredValue(true, false);
  return isDue ? children : null;
}
