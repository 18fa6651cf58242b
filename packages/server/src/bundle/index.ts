/** Bundles read and written, and who does it. */
import type { Db } from '../db/open';
import type { TakenIn } from './take-in';
import { takeInBundle } from './take-in';
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

/** Reads and writes here. */
export const bundlesHere = (db: Db): Bundles => ({
  takeIn: (file, by) => takeInBundle(db, file, by),
  write: async (ids, file) => writeBundleFile(db, ids, file),
});
