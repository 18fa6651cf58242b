import { Router } from 'express';
import { factorsOf, forgetFound, foundCounts, recordFound, setFactor } from '../db/found';
import type { Db } from '../db/open';
import { factorSchema, foundSchema } from '../schemas';
import { findJob } from './find';

/** What was confirmed on jobs, counted by class, and what is said of a class by hand: added to, forgotten. */
export function foundRoutes(db: Db): Router {
  const router = Router();
  const all = () => ({ counts: foundCounts(db), factors: factorsOf(db) });

  router.get('/found', (_request, response) => {
    response.json(all());
  });

  router.post('/jobs/:id/found', (request, response) => {
    const { id: jobId } = findJob(db, request.params.id);
    const { id, name } = foundSchema.validateSync(request.body, { abortEarly: false });
    recordFound(db, { id, jobId, name, createdAt: new Date() });
    response.status(201).json(all());
  });

  router.put('/found/factors', (request, response) => {
    const { name, factor } = factorSchema.validateSync(request.body, { abortEarly: false });
    setFactor(db, name, factor);
    response.json(all());
  });

  router.delete('/found', (_request, response) => {
    forgetFound(db);
    response.json(all());
  });

  return router;
}
