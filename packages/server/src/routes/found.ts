import { Router } from 'express';
import { forgetFound, foundCounts, recordFound } from '../db/found';
import type { Db } from '../db/open';
import { foundSchema } from '../schemas';
import { findJob } from './find';

/** What was confirmed on jobs: counted by class, added to, forgotten. */
export function foundRoutes(db: Db): Router {
  const router = Router();

  router.get('/found', (_request, response) => {
    response.json({ counts: foundCounts(db) });
  });

  router.post('/jobs/:id/found', (request, response) => {
    const { id: jobId } = findJob(db, request.params.id);
    const { id, name } = foundSchema.validateSync(request.body, { abortEarly: false });
    recordFound(db, { id, jobId, name, createdAt: new Date() });
    response.status(201).json({ counts: foundCounts(db) });
  });

  router.delete('/found', (_request, response) => {
    forgetFound(db);
    response.json({ counts: {} });
  });

  return router;
}
