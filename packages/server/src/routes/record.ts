import type { Entry } from '@zygostat/core/record';
import { entryProblems, objectionsTo, standingOf } from '@zygostat/core/record';
import { Router } from 'express';
import { writerOf } from '../crew/who';
import type { Db } from '../db/open';
import { addEntry, entriesOf, entryById, openBypassesOf } from '../db/record';
import { latestRevision } from '../db/revisions';
import { Problem, invalid } from '../problem';
import { findJob } from './find';

const same = (one: Entry, { id, at, by, body }: Entry) =>
  JSON.stringify([one.id, one.at, one.by, one.body]) === JSON.stringify([id, at, by, body]);

/** The record of a job, added to entry by entry; and what is bypassed anywhere. */
export function recordRoutes(db: Db): Router {
  const router = Router();

  router.get('/bypasses', (_request, response) => {
    response.json(openBypassesOf(db));
  });

  router.get('/jobs/:id/record', (request, response) => {
    response.json(entriesOf(db, findJob(db, request.params.id).id));
  });

  router.post('/jobs/:id/record', (request, response) => {
    const job = findJob(db, request.params.id);
    const given: unknown = request.body;
    const problems = entryProblems(given);
    if (problems.length > 0) throw new Problem(invalid(problems));
    const entry = given as Entry;
    const writer = writerOf(response);
    // Whoever is signed in signs with their own name.
    if (writer !== '' && entry.by !== writer)
      throw new Problem(invalid([{ path: 'by', message: `must be ${writer}, who is signed in` }]));
    const known = entryById(db, entry.id);
    if (known) {
      if (known.jobId !== job.id || !same(known, entry))
        throw new Problem({ status: 409, title: 'Taken', detail: 'id is that of another entry' });
      return response.status(200).json(known);
    }
    const circuit = latestRevision(db, job.id)!.circuit;
    const { body } = entry;
    if (body.type === 'bypassed' && !circuit.devices.some(({ id }) => id === body.device))
      throw new Problem(invalid([{ path: 'body.device', message: 'must name a device of this circuit' }]));
    // A note is taken whatever stands; thousands of them are not read for it.
    const objections = body.type === 'note' ? [] : objectionsTo(entry, standingOf(entriesOf(db, job.id)));
    if (objections.length > 0) throw new Problem(invalid(objections));
    const labelOf = (device: string) => circuit.devices.find(({ id }) => id === device)?.label ?? device;
    return response.status(201).json(addEntry(db, job.id, entry, labelOf));
  });

  return router;
}
