/** Jobs and the sites they are at. */
import type { Circuit } from '@zygostat/core/circuit';
import { and, count, desc, eq, like, max, ne, or, sql } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Db } from './open';
import { jobs, openBypasses, readings, revisions, sites } from './schema';

/** A job with its site and what stands out about it. */
function jobRows(db: Db) {
  const latest = db
    .select({ jobId: revisions.jobId, revision: max(revisions.number).as('revision') })
    .from(revisions)
    .groupBy(revisions.jobId)
    .as('latest');
  const taken = db
    .select({ jobId: readings.jobId, readings: count().as('readings') })
    .from(readings)
    .groupBy(readings.jobId)
    .as('taken');
  const off = db
    .select({ jobId: readings.jobId, disagreeing: count().as('disagreeing') })
    .from(readings)
    .where(ne(readings.verdict, 'agrees'))
    .groupBy(readings.jobId)
    .as('off');
  const held = db
    .select({ jobId: openBypasses.jobId, bypasses: count().as('bypasses') })
    .from(openBypasses)
    .groupBy(openBypasses.jobId)
    .as('held');
  return db
    .select({
      id: jobs.id,
      name: jobs.name,
      site: sites.name,
      siteId: sites.id,
      system: jobs.system,
      notes: jobs.notes,
      state: jobs.state,
      createdAt: jobs.createdAt,
      updatedAt: jobs.updatedAt,
      revision: sql<number>`coalesce(${latest.revision}, 0)`,
      readings: sql<number>`coalesce(${taken.readings}, 0)`,
      disagreeing: sql<number>`coalesce(${off.disagreeing}, 0)`,
      bypasses: sql<number>`coalesce(${held.bypasses}, 0)`,
    })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .leftJoin(latest, eq(latest.jobId, jobs.id))
    .leftJoin(taken, eq(taken.jobId, jobs.id))
    .leftJoin(off, eq(off.jobId, jobs.id))
    .leftJoin(held, eq(held.jobId, jobs.id));
}

/** One job as the API shows it, if there is one. */
export const storedJob = (db: Db, id: string) => jobRows(db).where(eq(jobs.id, id)).get();

/** `%` and `_` in what a person searches for are meant as themselves. */
const contains = (search: string) => `%${search.replace(/[\\%_]/g, '\\$&')}%`;

/** The jobs last worked on, or those of them that a search is in: in their name, their site or their system. */
export function listJobs(db: Db, search: string) {
  const pattern = contains(search);
  const matches = [jobs.name, sites.name, jobs.system].map(
    (column) => sql`${like(column, pattern)} escape '\\'`,
  );
  const query = jobRows(db);
  return (search ? query.where(and(or(...matches))) : query).orderBy(desc(jobs.updatedAt)).limit(500).all();
}

export const listSites = (db: Db) =>
  db.select({ id: sites.id, name: sites.name }).from(sites).orderBy(sites.name).all();

export const storedSite = (db: Db, id: string) =>
  db.select({ id: sites.id, name: sites.name }).from(sites).where(eq(sites.id, id)).get();

/** The jobs of a site, the last worked on first. */
export const jobsAt = (db: Db, siteId: string) =>
  jobRows(db).where(eq(jobs.siteId, siteId)).orderBy(desc(jobs.updatedAt)).all();

export interface NewJob {
  name: string;
  site: string;
  system: string;
  notes?: string;
  circuit: Circuit;
}

/** Creates a job with its first revision, and its site when there is none of that name. */
export function createJob(db: Db, { name, site, system, notes = '', circuit }: NewJob): string {
  return db.transaction((tx) => {
    const now = new Date();
    const known = tx.select({ id: sites.id }).from(sites).where(eq(sites.name, site)).get();
    const siteId = known?.id ?? nanoid(12);
    if (!known) tx.insert(sites).values({ id: siteId, name: site, createdAt: now }).run();
    const id = nanoid(12);
    tx.insert(jobs).values({ id, siteId, name, system, notes, createdAt: now, updatedAt: now }).run();
    tx.insert(revisions).values({ jobId: id, number: 1, circuit, note: 'first', createdAt: now }).run();
    return id;
  });
}

export function changeJob(db: Db, id: string, change: Partial<typeof jobs.$inferInsert>): void {
  db.update(jobs)
    .set({ ...change, updatedAt: new Date() })
    .where(eq(jobs.id, id))
    .run();
}
