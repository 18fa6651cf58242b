import type { Circuit } from '@zygostat/core/circuit';
import { parseCircuit } from '@zygostat/core/circuit';
import { emptyCircuit, findTemplate } from '@zygostat/core/systems';
import { count, desc, eq, like, max, ne, or, sql, and } from 'drizzle-orm';
import { Router } from 'express';
import { nanoid } from 'nanoid';
import type { Db } from '../db/open';
import { jobs, readings, revisions, sites } from '../db/schema';
import { notFound } from '../problem';
import { jobChangeSchema, listQuerySchema, newJobSchema } from '../schemas';

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
  return db
    .select({
      id: jobs.id,
      name: jobs.name,
      site: sites.name,
      system: jobs.system,
      notes: jobs.notes,
      state: jobs.state,
      createdAt: jobs.createdAt,
      updatedAt: jobs.updatedAt,
      revision: sql<number>`coalesce(${latest.revision}, 0)`,
      readings: sql<number>`coalesce(${taken.readings}, 0)`,
      disagreeing: sql<number>`coalesce(${off.disagreeing}, 0)`,
    })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .leftJoin(latest, eq(latest.jobId, jobs.id))
    .leftJoin(taken, eq(taken.jobId, jobs.id))
    .leftJoin(off, eq(off.jobId, jobs.id));
}

/**
 * One job as the API shows it.
 * @throws Problem 404 when there is none.
 */
export function findJob(db: Db, id: string) {
  const job = jobRows(db).where(eq(jobs.id, id)).get();
  if (!job) throw notFound(`job "${id}"`);
  return job;
}

/** The newest revision of a job's circuit. */
export function latestRevision(db: Db, jobId: string) {
  return db
    .select()
    .from(revisions)
    .where(eq(revisions.jobId, jobId))
    .orderBy(desc(revisions.number))
    .limit(1)
    .get();
}

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

/** `%` and `_` in what a person searches for are meant as themselves. */
const contains = (search: string) => `%${search.replace(/[\\%_]/g, '\\$&')}%`;

export function jobRoutes(db: Db): Router {
  const router = Router();

  router.get('/sites', (_request, response) => {
    response.json(db.select({ id: sites.id, name: sites.name }).from(sites).orderBy(sites.name).all());
  });

  router.get('/jobs', (request, response) => {
    const { search } = listQuerySchema.validateSync(request.query);
    const pattern = contains(search);
    const matches = [jobs.name, sites.name, jobs.system].map(
      (column) => sql`${like(column, pattern)} escape '\\'`,
    );
    const query = jobRows(db);
    response.json(
      (search ? query.where(and(or(...matches))) : query).orderBy(desc(jobs.updatedAt)).limit(500).all(),
    );
  });

  router.post('/jobs', (request, response) => {
    const { name, site, notes, template, circuit, survey } = newJobSchema.validateSync(request.body, {
      abortEarly: false,
    });
    const found = template === undefined ? undefined : findTemplate(template);
    const made = found ? found.build(name) : survey ? emptyCircuit(name) : parseCircuit(circuit);
    const system = found?.title ?? (survey ? 'To be surveyed' : made.name);
    const id = createJob(db, { name, site, notes, circuit: made, system });
    response.status(201).location(`/api/jobs/${id}`).json(findJob(db, id));
  });

  router.get('/jobs/:id', (request, response) => {
    const job = findJob(db, request.params.id);
    response.json({ ...job, circuit: latestRevision(db, job.id)?.circuit });
  });

  router.patch('/jobs/:id', (request, response) => {
    const job = findJob(db, request.params.id);
    const change = jobChangeSchema.validateSync(request.body, { abortEarly: false });
    db.update(jobs)
      .set({ ...change, updatedAt: new Date() })
      .where(eq(jobs.id, job.id))
      .run();
    response.json(findJob(db, job.id));
  });

  return router;
}
