/** Every row of a job, out of the database and into it. */
import { asc, eq } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
import { pruneHalfTaken } from './prune';
import { bypassRows } from './record';
import {
  documents,
  jobs,
  openBypasses,
  photos,
  readings,
  recordEntries,
  revisions,
  siteDocuments,
  sites,
} from './schema';

/** A job as it is stored, whole. */
export interface StoredJob {
  site: typeof sites.$inferSelect & { documents: Omit<typeof siteDocuments.$inferSelect, 'ownerId'>[] };
  job: Omit<typeof jobs.$inferSelect, 'siteId' | 'broughtBy' | 'broughtAt'>;
  revisions: Omit<typeof revisions.$inferSelect, 'jobId' | 'saveId'>[];
  documents: Omit<typeof documents.$inferSelect, 'ownerId'>[];
  readings: Omit<typeof readings.$inferSelect, 'jobId'>[];
  entries: Omit<typeof recordEntries.$inferSelect, 'jobId' | 'broughtBy'>[];
  photographs: Omit<typeof photos.$inferSelect, 'jobId'>[];
}

/** A row without its job, which it is told under. */
const without = <T extends object, K extends keyof T>(row: T, key: K): Omit<T, K> =>
  Object.fromEntries(Object.entries(row).filter(([name]) => name !== key)) as Omit<T, K>;

/** Reads a job out, in an order that does not depend on how it came in; `undefined` when there is none. */
export function takeOut(db: Db, id: string): StoredJob | undefined {
  return db.transaction((tx) => {
    const job = tx.select().from(jobs).where(eq(jobs.id, id)).get();
    if (!job) return undefined;
    const site = tx.select().from(sites).where(eq(sites.id, job.siteId)).get()!;
    const own = <T extends { jobId: string }>(rows: T[]) => rows.map((row) => without(row, 'jobId'));
    const ofSite = tx
      .select()
      .from(siteDocuments)
      .where(eq(siteDocuments.ownerId, site.id))
      .orderBy(asc(siteDocuments.name))
      .all();
    return {
      site: { ...site, documents: ofSite.map((row) => without(row, 'ownerId')) },
      job: without(without(without(job, 'siteId'), 'broughtBy'), 'broughtAt'),
      revisions: own(
        tx.select().from(revisions).where(eq(revisions.jobId, id)).orderBy(asc(revisions.number)).all(),
      ).map((row) => without(row, 'saveId')),
      documents: tx
        .select()
        .from(documents)
        .where(eq(documents.ownerId, id))
        .orderBy(asc(documents.name))
        .all()
        .map((row) => without(row, 'ownerId')),
      readings: own(
        tx
          .select()
          .from(readings)
          .where(eq(readings.jobId, id))
          .orderBy(asc(readings.createdAt), asc(readings.id))
          .all(),
      ),
      entries: own(
        tx
          .select()
          .from(recordEntries)
          .where(eq(recordEntries.jobId, id))
          .orderBy(asc(recordEntries.number))
          .all(),
      ).map((row) => without(row, 'broughtBy')),
      photographs: own(
        tx
          .select()
          .from(photos)
          .where(eq(photos.jobId, id))
          .orderBy(asc(photos.createdAt), asc(photos.id))
          .all(),
      ),
    };
  });
}

/** Ids of the jobs of a site. */
export const jobsOfSite = (db: Db, siteId: string): string[] =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .where(eq(jobs.siteId, siteId))
    .orderBy(asc(jobs.id))
    .all()
    .map(({ id }) => id);

/** Jobs whose ids are taken here already. */
export const alreadyHere = (db: Db, ids: readonly string[]): string[] =>
  ids.filter((id) => db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id)).get());

/**
 * Puts the pictures of jobs in that are not there yet, one at a time: hundreds of megabytes in one step would have everybody wait.
 * Until its job is there nobody is shown any of them; what an ended server left of them goes when it starts (`prune`).
 *
 * @returns what takes them out again.
 */
function putPhotographsIn(db: Db, stored: readonly StoredJob[]): () => void {
  const ids: string[] = [];
  const takeBack = () => {
    for (const id of ids) db.delete(photos).where(eq(photos.id, id)).run();
  };
  // What a try before this one left, cut short by its time, is in nobody's way.
  pruneHalfTaken(db);
  const { $client: client } = db;
  client.pragma('foreign_keys = OFF');
  try {
    for (const { job, photographs } of stored)
      for (const row of photographs) {
        db.insert(photos)
          .values({ ...row, jobId: job.id })
          .run();
        ids.push(row.id);
      }
    return takeBack;
  } catch (error) {
    takeBack();
    throw error;
  } finally {
    client.pragma('foreign_keys = ON');
  }
}

/**
 * Puts jobs in as they were taken out, all or none; a site goes by its name where there is one of that name.
 *
 * @param by - who brings them; empty where nobody is signed in. Their records are marked with it.
 */
export function putIn(db: Db, stored: readonly StoredJob[], by: string): void {
  const takeBack = putPhotographsIn(db, stored);
  try {
    putRowsIn(db, stored, by);
  } catch (error) {
    takeBack();
    throw error;
  }
}

/** Everything but the photographs, in one step. */
function putRowsIn(db: Db, stored: readonly StoredJob[], by: string): void {
  const broughtAt = new Date();
  writing(db, (tx) => {
    for (const { site, job, ...rows } of stored) {
      const known = tx.select().from(sites).where(eq(sites.name, site.name)).get();
      if (!known) tx.insert(sites).values(without(site, 'documents')).run();
      // What is known of a building here stays: a bundle adds what is not.
      for (const row of site.documents)
        tx.insert(siteDocuments)
          .values({ ...row, ownerId: known?.id ?? site.id })
          .onConflictDoNothing()
          .run();
      tx.insert(jobs)
        .values({ ...job, siteId: known?.id ?? site.id, broughtBy: by, broughtAt })
        .run();
      const jobId = job.id;
      for (const row of rows.revisions)
        tx.insert(revisions)
          .values({ ...row, jobId })
          .run();
      for (const row of rows.documents)
        tx.insert(documents)
          .values({ ...row, ownerId: jobId })
          .run();
      for (const row of rows.readings)
        tx.insert(readings)
          .values({ ...row, jobId })
          .run();
      const entries = rows.entries.map((row) => ({ ...row, broughtBy: by }));
      for (const row of entries)
        tx.insert(recordEntries)
          .values({ ...row, jobId })
          .run();
      const { circuit } = rows.revisions.at(-1)!;
      const labelOf = (device: string) => circuit.devices.find(({ id }) => id === device)?.label ?? device;
      for (const row of bypassRows(entries, labelOf))
        tx.insert(openBypasses)
          .values({ ...row, jobId })
          .run();
    }
  });
}
