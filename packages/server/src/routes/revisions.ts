import { parseCircuit } from '@zygostat/core/circuit';
import { and, desc, eq } from 'drizzle-orm';
import { Router } from 'express';
import type { Db } from '../db/open';
import { jobs, revisions } from '../db/schema';
import { Problem, notFound } from '../problem';
import { newRevisionSchema } from '../schemas';
import { findJob, latestRevision } from './jobs';

export function revisionRoutes(db: Db): Router {
  const router = Router();

  router.get('/jobs/:id/revisions', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const columns = { number: revisions.number, note: revisions.note, createdAt: revisions.createdAt };
    response.json(
      db
        .select(columns)
        .from(revisions)
        .where(eq(revisions.jobId, id))
        .orderBy(desc(revisions.number))
        .limit(500)
        .all(),
    );
  });

  router.get('/jobs/:id/revisions/:number', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const number = Number(request.params.number);
    const found = Number.isInteger(number)
      ? db
          .select()
          .from(revisions)
          .where(and(eq(revisions.jobId, id), eq(revisions.number, number)))
          .get()
      : undefined;
    if (!found) throw notFound(`revision "${request.params.number}" of this job`);
    response.json(found);
  });

  router.post('/jobs/:id/revisions', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const { base, circuit, note } = newRevisionSchema.validateSync(request.body, { abortEarly: false });
    const checked = parseCircuit(circuit);
    // Append only if nobody has since: a second tab is told, and loses nothing.
    const number = db.transaction(
      (tx) => {
        const latest = latestRevision(tx as unknown as Db, id)?.number ?? 0;
        if (latest !== base)
          throw new Problem({
            status: 409,
            title: 'Changed elsewhere',
            detail: `This job is at revision ${latest}; your change was made on revision ${base}.`,
            latest,
          });
        const now = new Date();
        tx.insert(revisions)
          .values({ jobId: id, number: latest + 1, circuit: checked, note: note ?? '', createdAt: now })
          .run();
        tx.update(jobs).set({ updatedAt: now }).where(eq(jobs.id, id)).run();
        return latest + 1;
      },
      { behavior: 'immediate' },
    );
    response.status(201).json({ number });
  });

  return router;
}
