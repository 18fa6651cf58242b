/** A job as it is changed by others, told to whoever has it open (server-sent events). */
import type { Owner } from '@zygostat/core/documents';
import { documentKinds } from '@zygostat/core/documents';
import type { Request, RequestHandler, Response } from 'express';
import { Router } from 'express';
import { READS } from '../crew/guard';
import { whoOf } from '../crew/who';
import type { Db } from '../db/open';
import { findJob, findSite } from '../routes/find';
import { named } from '../schemas';
import { openStream } from '../stream';
import type { Hub } from './hub';

/** The page a request comes from says its name in this. */
const PAGE = 'x-zygostat-page';
const OF_AN_OWNER = /^\/(jobs|sites)\/([^/]+)(?:\/([^/]+))?/;
/** What of a job, or a site, others are told of; what only computes something changes nothing for them. */
const TOLD: ReadonlySet<string> = new Set([
  ...['job', 'revisions', 'readings', 'record', 'photos'],
  ...documentKinds().map(({ name }) => name),
]);

/** A job's id and a site's may be the same. */
const keyOf = (owner: Owner, id: string) => `${owner}/${id}`;
const LONGEST_NAME = 60;

/** Tells of whatever is changed of a job or a site, once it is: no route has to think of it. */
export const tellingOf =
  (hub: Hub): RequestHandler =>
  (request, response, next) => {
    const [, owner, id, what = 'job'] = OF_AN_OWNER.exec(request.path) ?? [];
    if (id !== undefined && TOLD.has(what) && !READS.has(request.method))
      response.on('finish', () => {
        // What was taken in had an address that could be read.
        if (response.statusCode < 300)
          hub.changed(keyOf(owner as Owner, decodeURIComponent(id)), { what, page: request.get(PAGE) ?? '' });
      });
    next();
  };

export function liveRoutes(db: Db, hub: Hub): Router {
  const router = Router();

  const stream = (owner: Owner, id: string, request: Request, response: Response) => {
    const { page, name } = request.query;
    const own = named('page', typeof page === 'string' ? page : '');
    const who = whoOf(response);
    const said = typeof name === 'string' ? name.trim().slice(0, LONGEST_NAME) : '';
    openStream(request, response);
    const leave = hub.join(keyOf(owner, id), {
      page: own,
      name: who?.person.name ?? said,
      tell: (event, data) => void response.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
    });
    request.on('close', leave);
  };

  router.get('/jobs/:id/stream', (request, response) =>
    stream('jobs', findJob(db, request.params.id).id, request, response),
  );
  router.get('/sites/:id/stream', (request, response) =>
    stream('sites', findSite(db, request.params.id).id, request, response),
  );

  return router;
}
