import { Piscina } from 'piscina';
import type { StoredJob } from '../db/bundle';
import { Problem } from '../problem';
import { readBundle } from './read';
import type { BundleRead } from './thread';

/** Reads a bundle. */
export type ReadBundle = (bytes: Buffer) => Promise<StoredJob[]>;

/** Longer than the largest site takes, ms. */
const MOST_MS = 120_000;
const MOST_MB = 1024;
const IDLE_MS = 10_000;
/** Bundles that wait while one is read. */
const MOST_WAITING = 4;

/** Reads it in this thread. */
export const readHere: ReadBundle = readBundle;

/**
 * Bundles read in a thread of their own, one after another and each for so long at most: nobody else waits for it.
 *
 * @param filename - of the bundled `thread.ts`.
 */
export function readAside(filename: string): ReadBundle {
  const pool = new Piscina<Uint8Array, BundleRead>({
    filename,
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });
  return async (bytes) => {
    let read: BundleRead;
    try {
      read = await pool.run(bytes, { signal: AbortSignal.timeout(MOST_MS) });
    } catch (error) {
      if (!isTooMuch(error)) throw error;
      throw new Problem({
        status: 413,
        title: 'Too large',
        detail: `It takes longer than ${MOST_MS / 1000} s, or more than ${MOST_MB} MB, to read. Nothing was changed.`,
      });
    }
    if ('problem' in read) throw new Problem(read.problem);
    return read.jobs;
  };
}

/** Ended by its time or its memory. */
const isTooMuch = (error: unknown): boolean => {
  const { name, code } = error as { name?: string; code?: string };
  return name === 'AbortError' || name === 'TimeoutError' || code === 'ERR_WORKER_OUT_OF_MEMORY';
};
