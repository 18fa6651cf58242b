import { storedJob, storedSite } from '../db/jobs';
import type { Db } from '../db/open';
import { notFound } from '../problem';

/**
 * One job as the API shows it.
 * @throws Problem 404 when there is none.
 */
export function findJob(db: Db, id: string) {
  const job = storedJob(db, id);
  if (!job) throw notFound(`job "${id}"`);
  return job;
}

/**
 * One site with its jobs.
 * @throws Problem 404 when there is none.
 */
export function findSite(db: Db, id: string) {
  const site = storedSite(db, id);
  if (!site) throw notFound(`site "${id}"`);
  return site;
}
