import { Piscina } from 'piscina';
import type { StoredJob } from '../db/bundle';
import type { Db } from '../db/open';
import { Problem } from '../problem';
import { readBundle } from './read';
import type { BundleDone, BundleOrder } from './thread';
import { writeBundleFile } from './write';

/** Reads bundles, and writes them. */
export interface Bundles {
  read: (bytes: Buffer) => Promise<StoredJob[]>;
  /**
   * Writes jobs into a file.
   *
   * @param left - is aborted when whoever asked has gone.
   */
  write: (ids: readonly string[], file: string, left: AbortSignal) => Promise<void>;
}

/** Longer than the largest site takes, ms. */
const MOST_MS = 120_000;
const MOST_MB = 1024;
const IDLE_MS = 10_000;
/** Bundles that wait while one is read or written. */
const MOST_WAITING = 4;

/** Reads and writes in this thread. */
export const bundlesHere = (db: Db): Bundles => ({
  read: readBundle,
  write: async (ids, file) => writeBundleFile(db, ids, file),
});

const tooMuch = () =>
  new Problem({
    status: 413,
    title: 'Too large',
    detail: `It takes longer than ${MOST_MS / 1000} s, or more than ${MOST_MB} MB, to read. Nothing was changed.`,
  });

const busy = () =>
  new Problem({
    status: 503,
    title: 'Busy',
    detail: 'Other bundles are being read or written. Try again in a minute.',
  });

/**
 * Bundles read and written in a thread of their own, one after another and each for so long at most: nobody else waits for it.
 *
 * @param filename - of the bundled `thread.ts`.
 * @param database - the file they are written from.
 */
export function bundlesAside(filename: string, database: string): Bundles {
  const pool = new Piscina<BundleOrder, BundleDone>({
    filename,
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });
  const run = async (order: BundleOrder, signal: AbortSignal): Promise<BundleDone> => {
    try {
      return await pool.run(order, { signal });
    } catch (error) {
      if (isFull(error)) throw busy();
      if (isTooMuch(error)) throw tooMuch();
      throw error;
    }
  };
  return {
    read: async (bytes) => {
      const done = await run({ type: 'read', bytes }, AbortSignal.timeout(MOST_MS));
      if ('problem' in done) throw new Problem(done.problem);
      if (!('jobs' in done)) throw new Error('A bundle was read, and nothing came of it');
      return done.jobs;
    },
    write: async (ids, file, left) => {
      await run(
        { type: 'write', database, ids, file },
        AbortSignal.any([left, AbortSignal.timeout(MOST_MS)]),
      );
    },
  };
}

const isFull = (error: unknown) => error instanceof Error && /queue is at limit/i.test(error.message);

/** Ended by its time or its memory. */
const isTooMuch = (error: unknown): boolean => {
  const { name, code } = error as { name?: string; code?: string };
  return name === 'AbortError' || name === 'TimeoutError' || code === 'ERR_WORKER_OUT_OF_MEMORY';
};
