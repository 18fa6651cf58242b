/** A bundle read and put in: all of it, or nothing. */
import { readFile } from 'node:fs/promises';
import { Problem } from '../problem';
import { alreadyHere, putIn } from '../db/bundle';
import type { Db } from '../db/open';
import { readBundle } from './read';

export interface TakenIn {
  id: string;
  name: string;
}

const isTaken = (error: unknown) => /UNIQUE constraint/.test(String((error as Error).cause ?? error));

/**
 * @param by - who brings it; empty where nobody is signed in.
 * @throws Problem 422 of a bundle that does not hold; 409 where something of it is here already, and everything stays as it was.
 */
export async function takeInBundle(db: Db, file: string, by: string): Promise<TakenIn[]> {
  const stored = await readBundle(await readFile(file));
  const here = alreadyHere(
    db,
    stored.map(({ job }) => job.id),
  );
  if (here.length > 0)
    throw new Problem({
      status: 409,
      title: 'Here already',
      detail: `A job of this bundle is here already: ${here.join(', ')}. Nothing was changed.`,
      jobs: here,
    });
  try {
    putIn(db, stored, by);
  } catch (error) {
    if (!isTaken(error)) throw error;
    throw new Problem({
      status: 409,
      title: 'Here already',
      detail: 'Something in this bundle is here already under another job. Nothing was changed.',
    });
  }
  return stored.map(({ job: { id, name } }) => ({ id, name }));
}
