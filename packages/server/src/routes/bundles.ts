import { createReadStream, createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Bundles } from '../bundle';
import { writerOf } from '../crew/who';
import { jobsOfSite } from '../db/bundle';
import type { Db } from '../db/open';
import { Problem, notFound } from '../problem';
import { inFolder } from '../temporary';
import { findJob } from './find';
import { leaving } from './leaving';

/** A site with every photograph it may hold, bytes. */
const LARGEST = 200 * 1024 * 1024;

/** @throws Problem of a body that is no ZIP, or one that is too large, before any of it is read. */
function checkHead(request: Request): void {
  const length = Number(request.headers['content-length']);
  if (!request.is('application/zip') || length === 0)
    throw new Problem({
      status: 415,
      title: 'Not a bundle',
      detail: 'Send the ZIP file as application/zip.',
    });
  if (Number.isNaN(length))
    throw new Problem({ status: 411, title: 'No length', detail: 'Content-Length must say how long it is.' });
  if (length > LARGEST)
    throw new Problem({
      status: 413,
      title: 'Too large',
      detail: `A bundle has ${LARGEST / 1024 / 1024} MB at most. Nothing was changed.`,
    });
}

/** Does something with a file of its own, which is gone after it; whoever has left meanwhile is not answered. */
async function withFile(
  response: Response,
  name: string,
  act: (file: string) => Promise<void>,
): Promise<void> {
  try {
    await inFolder((folder) => act(join(folder, name)));
  } catch (error) {
    if (!response.destroyed) throw error;
  }
}

/** Sends jobs as one file. */
const sendBundle = (response: Response, write: Bundles['write'], ids: readonly string[], name: string) =>
  withFile(response, name, async (file) => {
    await write(ids, file, leaving(response));
    response.type('application/zip').attachment(name);
    await pipeline(createReadStream(file), response);
  });

/** A whole job or site out as one file, and in again. */
export function bundleRoutes(db: Db, { takeIn, write }: Bundles): Router {
  const router = Router();

  router.get('/jobs/:id/bundle.zip', (request, response) =>
    sendBundle(response, write, [findJob(db, request.params.id).id], 'job.zip'),
  );

  router.get('/sites/:id/bundle.zip', (request, response) => {
    const ids = jobsOfSite(db, request.params.id);
    if (ids.length === 0) throw notFound(`site "${request.params.id}" with a job`);
    return sendBundle(response, write, ids, 'site.zip');
  });

  // It goes to the disk as it comes, and is read from there: in one piece it would keep everybody waiting.
  router.post('/bundles', (request, response) => {
    checkHead(request);
    return withFile(response, 'job.zip', async (file) => {
      await pipeline(request, createWriteStream(file));
      response.status(201).json({ jobs: await takeIn(file, writerOf(response)) });
    });
  });

  return router;
}
