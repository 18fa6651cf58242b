import { Piscina } from 'piscina';
import type { Draw, Order } from '.';

/** A thread that has drawn nothing for so long is ended, ms: it holds the model and the type in memory. */
const IDLE_MS = 60_000;

/**
 * Papers drawn in a thread of their own, one after another: a diagram laid out for paper takes a second or two, and whoever works on
 * another job does not wait for it.
 *
 * @param filename - of the bundled `thread.ts`.
 */
export function drawAside(filename: string): Draw {
  const pool = new Piscina<Order, Uint8Array | string>({
    filename,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: IDLE_MS,
  });
  return (paper, ...given) => pool.run({ paper, given });
}
