import { Piscina } from 'piscina';
import { Problem } from '../problem';
import type { Draw, Order } from '.';

/** A thread that has drawn nothing for so long is ended, ms: it holds the model and the type in memory. */
const IDLE_MS = 60_000;
/** Papers that wait while one is drawn. */
const MOST_WAITING = 12;

const isFull = (error: unknown) => error instanceof Error && /queue is at limit/i.test(error.message);

/**
 * Papers drawn in a thread of their own, one after another: a diagram laid out for paper takes a second or two, and whoever works on
 * another job does not wait for it. What nobody waits for any more is not drawn to its end.
 *
 * @param filename - of the bundled `thread.ts`.
 */
export function drawAside(filename: string): Draw {
  const pool = new Piscina<Order, Uint8Array | string>({
    filename,
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
  });
  return async (left, paper, ...given) => {
    try {
      return await pool.run({ paper, given }, { signal: left });
    } catch (error) {
      if (!isFull(error)) throw error;
      throw new Problem({
        status: 503,
        title: 'Busy',
        detail: `${MOST_WAITING} printouts are waiting already. Try again in a minute.`,
      });
    }
  };
}
