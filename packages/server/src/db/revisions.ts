/** Circuits of a job, whole, one row a saved edit. */
import type { Circuit } from '@zygostat/core/circuit';
import { circuitReadIn } from '@zygostat/core/circuit';
import { and, desc, eq, max } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
import { jobs, revisions } from './schema';

type Row = typeof revisions.$inferSelect;

/** One of an older version stays as it was stored, and is read in. */
const readIn = (row: Row | undefined): Row | undefined =>
  row && { ...row, circuit: circuitReadIn(row.circuit) as Circuit };

/** The newest revision of a job's circuit. */
export const latestRevision = (db: Pick<Db, 'select'>, jobId: string): Row | undefined =>
  readIn(
    db
      .select()
      .from(revisions)
      .where(eq(revisions.jobId, jobId))
      .orderBy(desc(revisions.number))
      .limit(1)
      .get(),
  );

/** The number of the newest revision, without reading its circuit; 0 where there is none. */
const latestNumber = (db: Pick<Db, 'select'>, jobId: string): number =>
  db
    .select({ number: max(revisions.number) })
    .from(revisions)
    .where(eq(revisions.jobId, jobId))
    .get()?.number ?? 0;

/** The number a revision was taken in as under an id, if it was. */
const savedAs = (db: Pick<Db, 'select'>, jobId: string, save: string): number | undefined =>
  db
    .select({ number: revisions.number })
    .from(revisions)
    .where(and(eq(revisions.jobId, jobId), eq(revisions.saveId, save)))
    .get()?.number;

/** Every revision but its circuit, the newest first. */
export const listRevisions = (db: Db, jobId: string) =>
  db
    .select({
      number: revisions.number,
      note: revisions.note,
      by: revisions.by,
      createdAt: revisions.createdAt,
    })
    .from(revisions)
    .where(eq(revisions.jobId, jobId))
    .orderBy(desc(revisions.number))
    .limit(500)
    .all();

export const storedRevision = (db: Db, jobId: string, number: number): Row | undefined =>
  readIn(
    db
      .select()
      .from(revisions)
      .where(and(eq(revisions.jobId, jobId), eq(revisions.number, number)))
      .get(),
  );

interface NewRevision {
  base: number;
  circuit: Circuit;
  note: string;
  by: string;
  /** Made where it was saved: sent again under the same, it is the same revision. */
  save?: string | undefined;
}

/** Appends a revision to the one it builds on; when another is newer, nothing is appended and that one is told. */
export function appendRevision(
  db: Db,
  jobId: string,
  { base, circuit, note, by, save }: NewRevision,
): { done: true; number: number } | { done: false; latest: number } {
  return writing(db, (tx) => {
    const known = save === undefined ? undefined : savedAs(tx, jobId, save);
    if (known !== undefined) return { done: true, number: known };
    const latest = latestNumber(tx, jobId);
    if (latest !== base) return { done: false, latest };
    const now = new Date();
    tx.insert(revisions)
      .values({ jobId, number: latest + 1, circuit, note, saveId: save ?? null, by, createdAt: now })
      .run();
    tx.update(jobs).set({ updatedAt: now }).where(eq(jobs.id, jobId)).run();
    return { done: true, number: latest + 1 };
  });
}
