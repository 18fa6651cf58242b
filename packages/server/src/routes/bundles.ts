import { createReadStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';
import express, { Router } from 'express';
import type { Bundles } from '../bundle/aside';
import { writerOf } from '../crew/who';
import { alreadyHere, jobsOfSite, putIn } from '../db/bundle';
import type { Db } from '../db/open';
import { Problem, notFound } from '../problem';
import { findJob } from './find';
import { leaving } from './leaving';

/** A site with every photograph it may hold. */
const BUNDLE_LIMIT = '200mb';

const isTaken = (error: unknown) => /UNIQUE constraint/.test(String((error as Error).cause ?? error));

/** Puts jobs in; an entry, reading or photograph that another job has under its id leaves everything as it was. */
function takeIn(db: Db, stored: Parameters<typeof putIn>[1], by: string): void {
  try {
    putIn(db, stored, by);
  } catch (error) {
    if (!isTaken(error)) throw error;
    throw new Problem({
      status: 409,
      title: 'Here already',
      detail: 'Something in this bundle is here already under another job. Nothing was changed.',
    });
  }
}

/** Sends jobs as one file; it is gone from here once it is sent, or whoever asked has left. */
async function sendBundle(
  response: Response,
  write: Bundles['write'],
  ids: readonly string[],
  name: string,
): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'zygostat-'));
  try {
    const file = join(folder, name);
    await write(ids, file, leaving(response));
    response.type('application/zip').attachment(name);
    await pipeline(createReadStream(file), response);
  } catch (error) {
    // Whoever has gone is not answered.
    if (!response.destroyed) throw error;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** A whole job or site out as one file, and in again. */
export function bundleRoutes(db: Db, { read, write }: Bundles): Router {
  const router = Router();

  router.get('/jobs/:id/bundle.zip', (request, response) =>
    sendBundle(response, write, [findJob(db, request.params.id).id], 'job.zip'),
  );

  router.get('/sites/:id/bundle.zip', (request, response) => {
    const ids = jobsOfSite(db, request.params.id);
    if (ids.length === 0) throw notFound(`site "${request.params.id}" with a job`);
    return sendBundle(response, write, ids, 'site.zip');
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
      takeIn(db, stored, writerOf(response));
      response.status(201).json({ jobs: stored.map(({ job: { id, name } }) => ({ id, name })) });
    },
  );

  return router;
}
