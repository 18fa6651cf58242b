/** What runs in a thread of its own and reads a bundle; what is wrong with it comes back as plain values. */
import type { StoredJob } from '../db/bundle';
import { Problem } from '../problem';
import { readBundle } from './read';

export type BundleRead = { jobs: StoredJob[] } | { problem: Problem['details'] };

export default async (bytes: Uint8Array): Promise<BundleRead> => {
  try {
    return { jobs: await readBundle(Buffer.from(bytes)) };
  } catch (error) {
    if (error instanceof Problem) return { problem: error.details };
    throw error;
  }
};
