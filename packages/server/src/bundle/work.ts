/** What runs in a process of its own and takes a bundle in or writes one; what is wrong with one comes back as plain values. */
import { openBeside } from '../db/open';
import { Problem } from '../problem';
import type { TakenIn } from './take-in';
import { takeInBundle } from './take-in';
import { writeBundleFile } from './write';

export type BundleOrder = { database: string } & (
  { type: 'take-in'; file: string; by: string } | { type: 'write'; ids: readonly string[]; file: string }
);

export type BundleDone = { jobs: TakenIn[] } | { problem: Problem['details'] } | { file: string };

export default async (order: BundleOrder): Promise<BundleDone> => {
  const { db, close } = openBeside(order.database, order.type === 'write' ? 'reads' : 'writes');
  try {
    if (order.type === 'take-in') {
      return { jobs: await takeInBundle(db, order.file, order.by) };
    }
    writeBundleFile(db, order.ids, order.file);
    return { file: order.file };
  } catch (error) {
    if (error instanceof Problem) return { problem: error.details };
    throw error;
  } finally {
    close();
  }
};
