/** The record of a job: entries are added, in a chain, and never changed. */
import { createHash } from 'node:crypto';
import type { Entry } from '@zygostat/core/record';
import { CHAIN_START, bypassesStillIn, linkText, standingOf } from '@zygostat/core/record';
import { and, asc, desc, eq } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
import { jobs, openBypasses, recordEntries, sites } from './schema';

export interface ChainedEntry extends Entry {
  number: number;
  link: string;
}

const COLUMNS = {
  id: recordEntries.id,
  at: recordEntries.at,
  by: recordEntries.by,
  body: recordEntries.body,
  number: recordEntries.number,
  link: recordEntries.link,
  broughtBy: recordEntries.broughtBy,
};

type Reading = Pick<Db, 'select'>;

/** The entries of a job in the order they were taken in. */
export const entriesOf = (db: Reading, jobId: string): ChainedEntry[] =>
  db
    .select(COLUMNS)
    .from(recordEntries)
    .where(eq(recordEntries.jobId, jobId))
    .orderBy(asc(recordEntries.number))
    .all();

const lastOf = (db: Reading, jobId: string) =>
  db
    .select({ number: recordEntries.number, link: recordEntries.link })
    .from(recordEntries)
    .where(eq(recordEntries.jobId, jobId))
    .orderBy(desc(recordEntries.number))
    .limit(1)
    .get();

/** The entry under an id, with its job, whatever job that is. */
export const entryById = (db: Reading, id: string): (ChainedEntry & { jobId: string }) | undefined =>
  db
    .select({ ...COLUMNS, jobId: recordEntries.jobId })
    .from(recordEntries)
    .where(eq(recordEntries.id, id))
    .get();

export const linkAfter = (before: string, entry: Entry): string =>
  createHash('sha256').update(linkText(before, entry)).digest('hex');

/** What is bypassed after so many entries, as rows. */
export const bypassRows = (entries: readonly Entry[], labelOf: (device: string) => string) =>
  bypassesStillIn(standingOf(entries)).map(({ id, device, since, until, by, to }) => ({
    bypass: id,
    device,
    label: labelOf(device),
    since,
    until,
    by,
    to,
  }));

/** Entries that touch what is bypassed. */
const TOUCHES: ReadonlySet<Entry['body']['type']> = new Set(['bypassed', 'restored', 'handed-over']);

/**
 * Adds an entry after the last of its job, as one step: either it is in the chain, and what is open follows from it, or
 * nothing is changed.
 *
 * @param labelOf - what a device of the job is called.
 */
export function addEntry(
  db: Db,
  jobId: string,
  entry: Entry,
  labelOf: (device: string) => string,
): ChainedEntry {
  return writing(db, (tx) => {
    const last = lastOf(tx, jobId) ?? { number: 0, link: CHAIN_START };
    const chained = { ...entry, number: last.number + 1, link: linkAfter(last.link, entry) };
    const now = new Date();
    tx.insert(recordEntries)
      .values({ ...chained, jobId, createdAt: now })
      .run();
    if (TOUCHES.has(entry.body.type)) {
      tx.delete(openBypasses).where(eq(openBypasses.jobId, jobId)).run();
      for (const row of bypassRows(entriesOf(tx, jobId), labelOf))
        tx.insert(openBypasses)
          .values({ ...row, jobId })
          .run();
    }
    const state = entry.body.type === 'finished' ? ('done' as const) : ('open' as const);
    tx.update(jobs).set({ updatedAt: now, state }).where(eq(jobs.id, jobId)).run();
    return chained;
  });
}

/** Bypasses that are in anywhere, the first to be gone first. */
export const openBypassesOf = (db: Db) =>
  db
    .select({
      job: openBypasses.jobId,
      name: jobs.name,
      site: sites.name,
      bypass: openBypasses.bypass,
      device: openBypasses.device,
      label: openBypasses.label,
      since: openBypasses.since,
      until: openBypasses.until,
      by: openBypasses.by,
      to: openBypasses.to,
    })
    .from(openBypasses)
    .innerJoin(jobs, eq(jobs.id, openBypasses.jobId))
    .innerJoin(sites, and(eq(sites.id, jobs.siteId)))
    .orderBy(asc(openBypasses.until))
    .all();
