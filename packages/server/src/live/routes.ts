/** A job as it is changed by others, told to whoever has it open (server-sent events). */
import type { RequestHandler } from 'express';
import { Router } from 'express';
import { tokenOf } from '../crew/cookie';
import { READS } from '../crew/guard';
import { whoOf } from '../crew/who';
import { personOf } from '../db/sessions';
import type { Db } from '../db/open';
import { findJob } from '../routes/find';
import { named } from '../schemas';
import { openStream } from '../stream';
import type { Hub } from './hub';

/** The page a request comes from says its name in this. */
const PAGE = 'x-zygostat-page';
const OF_A_JOB = /^\/jobs\/([^/]+)(?:\/([^/]+))?/;
/** How soon a device that was signed out hears no more, ms. */
const LOOK_MS = 5000;
const LONGEST_NAME = 60;

/** Tells of whatever is changed of a job, once it is: no route has to think of it. */
export const tellingOf =
  (hub: Hub): RequestHandler =>
  (request, response, next) => {
    const [, jobId, what = 'job'] = OF_A_JOB.exec(request.path) ?? [];
    if (jobId !== undefined && !READS.has(request.method))
      response.on('finish', () => {
        // What was taken in had an address that could be read.
        if (response.statusCode < 300)
          hub.changed(decodeURIComponent(jobId), { what, page: request.get(PAGE) ?? '' });
      });
    next();
  };

export function liveRoutes(db: Db, hub: Hub): Router {
  const router = Router();

  router.get('/jobs/:id/stream', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const { page, name } = request.query;
    const own = named('page', typeof page === 'string' ? page : '');
    const who = whoOf(response);
    const said = typeof name === 'string' ? name.trim().slice(0, LONGEST_NAME) : '';
    openStream(request, response, LOOK_MS, {
      // A device whose sign-in was taken away is told nothing more.
      every: () => {
        if (who && !personOf(db, tokenOf(request) ?? '')) response.end();
      },
    });
    const leave = hub.join(id, {
      page: own,
      name: who?.person.name ?? said,
      tell: (event, data) => void response.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
    });
    request.on('close', leave);
  });

  return router;
}
