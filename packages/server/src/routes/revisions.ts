import { parseCircuit } from '@zygostat/core/circuit';
import { Router } from 'express';
import { writerOf } from '../crew/who';
import type { Db } from '../db/open';
import { appendRevision, listRevisions, storedRevision } from '../db/revisions';
import { Problem, notFound } from '../problem';
import { newRevisionSchema } from '../schemas';
import { findJob } from './find';

export function revisionRoutes(db: Db): Router {
  const router = Router();

  router.get('/jobs/:id/revisions', (request, response) => {
    response.json(listRevisions(db, findJob(db, request.params.id).id));
  });

  router.get('/jobs/:id/revisions/:number', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const number = Number(request.params.number);
    const found = Number.isInteger(number) ? storedRevision(db, id, number) : undefined;
    if (!found) throw notFound(`revision "${request.params.number}" of this job`);
    response.json({ ...found, saveId: undefined });
  });

  router.post('/jobs/:id/revisions', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const { base, circuit, note, save } = newRevisionSchema.validateSync(request.body, { abortEarly: false });
    const checked = parseCircuit(circuit);
    // Appended only if nobody has since: a second tab is told, and loses nothing.
    const appended = appendRevision(db, id, {
      base,
      circuit: checked,
      note: note ?? '',
      save,
      by: writerOf(response),
    });
    if (!appended.done)
      throw new Problem({
        status: 409,
        title: 'Changed elsewhere',
        detail: `This job is at revision ${appended.latest}; your change was made on revision ${base}.`,
        latest: appended.latest,
      });
    response.status(201).json({ number: appended.number });
  });

  return router;
}
