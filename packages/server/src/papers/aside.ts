import type { ThreadFiles } from '../pool';
import { aside } from '../pool';
import type { Draw, Order } from '.';

/** Papers that wait while one is drawn. */
const MOST_WAITING = 12;

/**
 * Papers drawn in a thread of their own, one after another: a diagram laid out for paper takes a second or two, and whoever works on
 * another job does not wait for it. What nobody waits for any more is not drawn to its end.
 *
 */
export function drawAside(files: ThreadFiles): Draw {
  const draw = aside<Order, Uint8Array | string>({
    files,
    mostWaiting: MOST_WAITING,
    // It holds the model and the type in memory.
    idleMs: 60_000,
    busy: `${MOST_WAITING} printouts are waiting already. Try again in a minute.`,
  });
  return (left, paper, ...given) => draw({ paper, given }, left);
}
