/** What runs in a thread of its own and reads or writes a bundle; what is wrong with one comes back as plain values. */
import type { StoredJob } from '../db/bundle';
import { openReading } from '../db/open';
import { Problem } from '../problem';
import { readBundle } from './read';
import { writeBundleFile } from './write';

export type BundleOrder =
  | { type: 'read'; bytes: Uint8Array }
  | { type: 'write'; database: string; ids: readonly string[]; file: string };

export type BundleDone = { jobs: StoredJob[] } | { problem: Problem['details'] } | { file: string };

export default async (order: BundleOrder): Promise<BundleDone> => {
  if (order.type === 'write') {
    const { db, close } = openReading(order.database);
    try {
      writeBundleFile(db, order.ids, order.file);
      return { file: order.file };
    } finally {
      close();
    }
  }
  try {
    return { jobs: await readBundle(Buffer.from(order.bytes)) };
  } catch (error) {
    if (error instanceof Problem) return { problem: error.details };
    throw error;
  }
};
