import express, { Router } from 'express';
import type { ReadBundle } from '../bundle/aside';
import { writeBundle } from '../bundle/write';
import { alreadyHere, jobsOfSite, putIn, takeOut } from '../db/bundle';
import type { Db } from '../db/open';
import { Problem, notFound } from '../problem';

/** A site with every photograph it may hold. */
const BUNDLE_LIMIT = '200mb';

const isTaken = (error: unknown) => /UNIQUE constraint/.test(String((error as Error).cause ?? error));

/** Puts jobs in; an entry, reading or photograph that another job has under its id leaves everything as it was. */
function takeIn(db: Db, stored: Parameters<typeof putIn>[1]): void {
  try {
    putIn(db, stored);
  } catch (error) {
    if (!isTaken(error)) throw error;
    throw new Problem({
      status: 409,
      title: 'Here already',
      detail: 'Something in this bundle is here already under another job. Nothing was changed.',
    });
  }
}

/** A whole job or site out as one file, and in again. */
export function bundleRoutes(db: Db, read: ReadBundle): Router {
  const router = Router();

  router.get('/jobs/:id/bundle.zip', (request, response) => {
    const stored = takeOut(db, request.params.id);
    if (!stored) throw notFound(`job "${request.params.id}"`);
    response
      .type('application/zip')
      .attachment('job.zip')
      .send(Buffer.from(writeBundle([stored], new Date())));
  });

  router.get('/sites/:id/bundle.zip', (request, response) => {
    const stored = jobsOfSite(db, request.params.id).flatMap((id) => takeOut(db, id) ?? []);
    if (stored.length === 0) throw notFound(`site "${request.params.id}" with a job`);
    response
      .type('application/zip')
      .attachment('site.zip')
      .send(Buffer.from(writeBundle(stored, new Date())));
  });

  router.post(
    '/bundles',
    express.raw({ type: 'application/zip', limit: BUNDLE_LIMIT }),
    async (request, response) => {
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new Problem({
          status: 415,
          title: 'Not a bundle',
          detail: 'Send the ZIP file as application/zip.',
        });
      const stored = await read(request.body);
      const here = alreadyHere(
        db,
        stored.map(({ job }) => job.id),
      );
      if (here.length > 0)
        throw new Problem({
          status: 409,
          title: 'Here already',
          detail: `A job of this bundle is here already: ${here.join(', ')}. Nothing was changed.`,
          jobs: here,
        });
      takeIn(db, stored);
      response.status(201).json({ jobs: stored.map(({ job: { id, name } }) => ({ id, name })) });
    },
  );

  return router;
}
