/** Jobs and the sites they are at. */
import type { Circuit } from '@zygostat/core/circuit';
import type { SQL } from 'drizzle-orm';
import { and, desc, eq, like, or, sql } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Db } from './open';
import { writing } from './open';
import { jobs, openBypasses, readings, revisions, sites } from './schema';

/** Counts the rows of another table that are of a job: by that table's index, and only for the jobs that are asked for. */
const countOf = (rows: SQL) => sql<number>`(select count(*) from ${rows})`;

/** A job with its site and what stands out about it. */
const jobRows = (db: Db) =>
  db
    .select({
      id: jobs.id,
      name: jobs.name,
      site: sites.name,
      address: sites.address,
      siteId: sites.id,
      system: jobs.system,
      notes: jobs.notes,
      state: jobs.state,
      isAway: jobs.isAway,
      broughtBy: jobs.broughtBy,
      broughtAt: jobs.broughtAt,
      createdAt: jobs.createdAt,
      updatedAt: jobs.updatedAt,
      revision: sql<number>`(select coalesce(max(${revisions.number}), 0) from ${revisions} where ${revisions.jobId} = ${jobs.id})`,
      readings: countOf(sql`${readings} where ${readings.jobId} = ${jobs.id}`),
      disagreeing: countOf(
        sql`${readings} where ${readings.jobId} = ${jobs.id} and ${readings.verdict} <> 'agrees'`,
      ),
      bypasses: countOf(sql`${openBypasses} where ${openBypasses.jobId} = ${jobs.id}`),
    })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId));

/** One job as the API shows it, if there is one. */
export const storedJob = (db: Db, id: string) => jobRows(db).where(eq(jobs.id, id)).get();

/** Whether there is any job, put away or not. */
export const hasJobs = (db: Db): boolean =>
  db.select({ id: jobs.id }).from(jobs).limit(1).get() !== undefined;

/** `%` and `_` in what a person searches for are meant as themselves. */
const contains = (search: string) => `%${search.replace(/[\\%_]/g, '\\$&')}%`;

/**
 * The jobs last worked on, or those of them that a search is in: in their name, their site, their system or their notes.
 * Those put away come only when they are asked for, or found by a search.
 */
export function listJobs(db: Db, { search, away }: { search: string; away: boolean }) {
  const pattern = contains(search);
  const matches = [jobs.name, sites.name, jobs.system, jobs.notes].map(
    (column) => sql`${like(column, pattern)} escape '\\'`,
  );
  const query = jobRows(db);
  const found = search ? or(...matches) : undefined;
  const shown = away ? eq(jobs.isAway, true) : search ? undefined : eq(jobs.isAway, false);
  return query.where(and(found, shown)).orderBy(desc(jobs.updatedAt)).limit(500).all();
}

export const listSites = (db: Db) =>
  db.select({ id: sites.id, name: sites.name }).from(sites).orderBy(sites.name).all();

export const storedSite = (db: Db, id: string) =>
  db
    .select({ id: sites.id, name: sites.name, address: sites.address })
    .from(sites)
    .where(eq(sites.id, id))
    .get();

export const setAddress = (db: Db, id: string, address: string): void =>
  void db.update(sites).set({ address }).where(eq(sites.id, id)).run();

/** The jobs of a site, the last worked on first. */
export const jobsAt = (db: Db, siteId: string) =>
  jobRows(db).where(eq(jobs.siteId, siteId)).orderBy(desc(jobs.updatedAt)).all();

export interface NewJob {
  /** Made where it was begun; made here when left out. */
  id?: string | undefined;
  siteId?: string | undefined;
  name: string;
  site: string;
  system: string;
  notes?: string | undefined;
  circuit: Circuit;
}

/** Creates a job with its first revision, and its site when there is none of that name. */
export function createJob(db: Db, { name, site, system, notes = '', circuit, ...made }: NewJob): string {
  return writing(db, (tx) => {
    const now = new Date();
    const known = tx.select({ id: sites.id }).from(sites).where(eq(sites.name, site)).get();
    const siteId = known?.id ?? made.siteId ?? nanoid(12);
    if (!known) tx.insert(sites).values({ id: siteId, name: site, createdAt: now }).run();
    const id = made.id ?? nanoid(12);
    tx.insert(jobs).values({ id, siteId, name, system, notes, createdAt: now, updatedAt: now }).run();
    tx.insert(revisions).values({ jobId: id, number: 1, circuit, note: 'first', createdAt: now }).run();
    return id;
  });
}

/** Notes are no longer; the oldest give way. */
export const MOST_NOTES = 2000;

interface JobChange extends Partial<Pick<typeof jobs.$inferInsert, 'name' | 'notes' | 'state' | 'isAway'>> {
  /** A line more, under whatever is there. */
  addNote?: string | undefined;
  /** Name and notes as they were when they were changed. */
  was?: { name?: string | undefined; notes?: string | undefined } | null | undefined;
}

/** Changes a job; where somebody else changed the same meanwhile nothing is written, and what it is now is told. */
export function changeJob(
  db: Db,
  id: string,
  { addNote, was, ...change }: JobChange,
): { field: 'name' | 'notes'; now: string } | null {
  return writing(db, (tx) => {
    const { name, notes } = tx
      .select({ name: jobs.name, notes: jobs.notes })
      .from(jobs)
      .where(eq(jobs.id, id))
      .get()!;
    for (const [field, now] of [
      ['name', name],
      ['notes', notes],
    ] as const) {
      const [before, after] = [was?.[field], change[field]];
      if (after !== undefined && before !== undefined && before !== now && after !== now)
        return { field, now };
    }
    const longer =
      addNote === undefined ? undefined : [notes, addNote].filter((one) => one !== '').join('\n');
    tx.update(jobs)
      .set({
        ...change,
        ...(longer !== undefined && { notes: longer.slice(-MOST_NOTES).trim() }),
        updatedAt: new Date(),
      })
      .where(eq(jobs.id, id))
      .run();
    return null;
  });
}
