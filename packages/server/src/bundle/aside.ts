import type { ProcessFiles } from '../pool';
import { aside } from '../pool';
import { Problem } from '../problem';
import type { Bundles } from '.';
import type { BundleDone, BundleOrder } from './work';

/** Longer than the largest site takes, ms. */
const MOST_MS = 120_000;
const MOST_MB = 1024;

const tooMuch = () =>
  new Problem({
    status: 413,
    title: 'Too large',
    detail: `It was cut off. It may take longer than ${MOST_MS / 1000} s, or more than ${MOST_MB} MB. Nothing was changed.`,
  });

/**
 * Bundles taken in and written in a process of their own, one after another and each for so long at most: nobody else waits for it.
 *
 * @param database - the file they are written from.
 */
export function bundlesAside(files: ProcessFiles, database: string): Bundles {
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
  const { name, message } = error as Error;
  return name === 'AbortError' || name === 'TimeoutError' || /exited unexpectedly/.test(message);
};
