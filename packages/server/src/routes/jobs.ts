import { parseCircuit } from '@zygostat/core/circuit';
import { objectionsTo, standingOf } from '@zygostat/core/record';
import { beginJob } from '@zygostat/core/systems';
import { Router } from 'express';
import { changeJob, createJob, jobsAt, listJobs, listSites, setAddress, storedJob } from '../db/jobs';
import type { Db } from '../db/open';
import { entriesOf, openBypassesOf } from '../db/record';
import { latestRevision } from '../db/revisions';
import { Problem, invalid, overtaken } from '../problem';
import { jobChangeSchema, listQuerySchema, newJobSchema, siteChangeSchema } from '../schemas';
import { findJob, findSite } from './find';

export function jobRoutes(db: Db): Router {
  const router = Router();

  router.get('/sites', (_request, response) => {
    response.json(listSites(db));
  });

  router.get('/sites/:id', (request, response) => {
    const site = findSite(db, request.params.id);
    response.json({ ...site, jobs: jobsAt(db, site.id) });
  });

  router.patch('/sites/:id', (request, response) => {
    const site = findSite(db, request.params.id);
    const { address, was } = siteChangeSchema.validateSync(request.body, { abortEarly: false });
    if (site.address !== was && site.address !== address) throw overtaken('address', site.address);
    setAddress(db, site.id, address);
    response.json({ ...findSite(db, site.id), jobs: jobsAt(db, site.id) });
  });

  router.get('/jobs', (request, response) => {
    response.json(listJobs(db, listQuerySchema.validateSync(request.query)));
  });

  router.post('/jobs', (request, response) => {
    const { id, siteId, name, site, notes, template, circuit } = newJobSchema.validateSync(request.body, {
      abortEarly: false,
    });
    const known = id === undefined ? undefined : storedJob(db, id);
    if (known) {
      if (known.name !== name || known.site !== site)
        throw new Problem({ status: 409, title: 'Taken', detail: 'id is that of another job' });
      return response.status(200).json(known);
    }
    const given = circuit === undefined ? undefined : parseCircuit(circuit);
    const begun = beginJob({ name, template, circuit: given });
    const made = createJob(db, { id, siteId, name, site, notes, ...begun });
    return response.status(201).location(`/api/jobs/${made}`).json(findJob(db, made));
  });

  router.get('/jobs/:id', (request, response) => {
    const job = findJob(db, request.params.id);
    response.json({ ...job, circuit: latestRevision(db, job.id)?.circuit });
  });

  router.patch('/jobs/:id', (request, response) => {
    const job = findJob(db, request.params.id);
    const change = jobChangeSchema.validateSync(request.body, { abortEarly: false });
    // Done with, or out of sight: neither while somebody still has to come back for a protection.
    const path = change.isAway ? 'isAway' : 'state';
    const isLeft = change.state === 'done' || change.isAway === true;
    const held = isLeft ? openBypassesOf(db).filter((one) => one.job === job.id) : [];
    const left = held.filter(({ to }) => to === null).map(({ label }) => label);
    if (left.length > 0)
      throw new Problem(
        invalid([
          {
            path,
            message: `must stay ${change.isAway ? 'false' : 'open'} while ${left.join(', ')} is bypassed: take it out and prove it, or hand it over`,
          },
        ]),
      );
    const finish = { id: '', at: '', by: '', body: { type: 'finished', text: '' } } as const;
    const against = isLeft ? objectionsTo(finish, standingOf(entriesOf(db, job.id))) : [];
    if (against.length > 0) throw new Problem(invalid(against.map(({ message }) => ({ path, message }))));
    const met = changeJob(db, job.id, change);
    if (met) throw overtaken(met.field, met.now);
    response.json(findJob(db, job.id));
  });

  return router;
}
