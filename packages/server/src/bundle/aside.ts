import type { Db } from '../db/open';
import type { ThreadFiles } from '../pool';
import { aside } from '../pool';
import { Problem } from '../problem';
import type { TakenIn } from './take-in';
import { takeInBundle } from './take-in';
import type { BundleDone, BundleOrder } from './thread';
import { writeBundleFile } from './write';

/** Takes bundles in, and writes them. */
export interface Bundles {
  /**
   * Takes in what a file holds.
   *
   * @param by - who brings it; empty where nobody is signed in.
   */
  takeIn: (file: string, by: string) => Promise<TakenIn[]>;
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

/** Reads and writes in this thread. */
export const bundlesHere = (db: Db): Bundles => ({
  takeIn: (file, by) => takeInBundle(db, file, by),
  write: async (ids, file) => writeBundleFile(db, ids, file),
});

const tooMuch = () =>
  new Problem({
    status: 413,
    title: 'Too large',
    detail: `It takes longer than ${MOST_MS / 1000} s, or more than ${MOST_MB} MB, to read. Nothing was changed.`,
  });

/**
 * Bundles taken in and written in a thread of their own, one after another and each for so long at most: nobody else waits for it.
 *
 * @param database - the file they are written from.
 */
export function bundlesAside(files: ThreadFiles, database: string): Bundles {
  const order = aside<BundleOrder, BundleDone>({
    files,
    mostWaiting: 4,
    idleMs: 10_000,
    mostMb: MOST_MB,
    busy: 'Other bundles are being read or written. Try again in a minute.',
  });
  const run = async (given: BundleOrder, signal: AbortSignal): Promise<BundleDone> => {
    try {
      const done = await order(given, signal);
      if ('problem' in done) throw new Problem(done.problem);
      return done;
    } catch (error) {
      throw isTooMuch(error) ? tooMuch() : error;
    }
  };
  return {
    takeIn: async (file, by) => {
      const done = await run({ type: 'take-in', database, file, by }, AbortSignal.timeout(MOST_MS));
      if (!('jobs' in done)) throw new Error('A bundle was taken in, and nothing came of it');
      return done.jobs;
    },
    write: async (ids, file, left) => {
      const signal = AbortSignal.any([left, AbortSignal.timeout(MOST_MS)]);
      await run({ type: 'write', database, ids, file }, signal);
    },
  };
}

/** Ended by its time or its memory. */
const isTooMuch = (error: unknown): boolean => {
  const { name, code } = error as { name?: string; code?: string };
  return name === 'AbortError' || name === 'TimeoutError' || code === 'ERR_WORKER_OUT_OF_MEMORY';
};
