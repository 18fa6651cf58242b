/** Documents of a job, each stored whole, one row a document, with a count of its saves. */
import { and, eq } from 'drizzle-orm';
import type { JobDocument } from '../documents';
import type { Db } from './open';
import { documents, jobs } from './schema';

/** A job's document and how often it was saved: 0, and empty, before the first. */
export function storedDocument<T>(
  db: Pick<Db, 'select'>,
  { name, empty }: Pick<JobDocument<T>, 'name' | 'empty'>,
  jobId: string,
): { number: number; value: T } {
  const row = db
    .select({ number: documents.number, value: documents.value })
    .from(documents)
    .where(and(eq(documents.jobId, jobId), eq(documents.name, name)))
    .get();
  return row ? { number: row.number, value: row.value as T } : { number: 0, value: empty };
}

/** Saves a document on top of the save it builds on; when another is newer, nothing is changed and that one is told. */
export function saveDocument<T>(
  db: Db,
  document: JobDocument<T>,
  jobId: string,
  base: number,
  value: T,
): { done: true; number: number } | { done: false; latest: number } {
  const { name } = document;
  return db.transaction(
    (tx) => {
      const latest = storedDocument(tx, document, jobId).number;
      if (base !== latest) return { done: false, latest };
      const row = { number: latest + 1, value, updatedAt: new Date() };
      tx.insert(documents)
        .values({ jobId, name, ...row })
        .onConflictDoUpdate({ target: [documents.jobId, documents.name], set: row })
        .run();
      tx.update(jobs).set({ updatedAt: row.updatedAt }).where(eq(jobs.id, jobId)).run();
      return { done: true, number: row.number };
    },
    { behavior: 'immediate' },
  );
}
