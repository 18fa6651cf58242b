import type { Entry } from '@zygostat/core/record';
import { entryProblems, objectionsTo, standingOf } from '@zygostat/core/record';
import { Router } from 'express';
import { writerOf } from '../crew/who';
import type { Db } from '../db/open';
import { writing } from '../db/open';
import type { ChainedEntry } from '../db/record';
import { addEntry, entriesOf, entryById, openBypassesOf } from '../db/record';
import { latestRevision } from '../db/revisions';
import { Problem, invalid } from '../problem';
import { findJob } from './find';

const same = (one: Entry, { id, at, by, body }: Entry) =>
  JSON.stringify([one.id, one.at, one.by, one.body]) === JSON.stringify([id, at, by, body]);

/** Most entries that are taken in at once. */
const MOST = 200;

interface Taken {
  entry: ChainedEntry;
  /** It was here already, the very same. */
  isKnown: boolean;
}

/** Takes an entry in. @throws Problem when it is no entry, somebody else's, or may not come after those that are there. */
function takeIn(db: Db, jobId: string, given: unknown, writer: string): Taken {
  const problems = entryProblems(given);
  if (problems.length > 0) throw new Problem(invalid(problems));
  const entry = given as Entry;
  // Whoever is signed in signs with their own name.
  if (writer !== '' && entry.by !== writer)
    throw new Problem(invalid([{ path: 'by', message: `must be ${writer}, who is signed in` }]));
  const known = entryById(db, entry.id);
  if (known) {
    if (known.jobId !== jobId || !same(known, entry))
      throw new Problem({ status: 409, title: 'Taken', detail: 'id is that of another entry' });
    return { entry: known, isKnown: true };
  }
  // Read where it is needed alone: a note does not touch it.
  const devices = () => latestRevision(db, jobId)!.circuit.devices;
  const { body } = entry;
  if (body.type === 'bypassed' && !devices().some(({ id }) => id === body.device))
    throw new Problem(invalid([{ path: 'body.device', message: 'must name a device of this circuit' }]));
  // A note is taken whatever stands; thousands of them are not read for it.
  const objections = body.type === 'note' ? [] : objectionsTo(entry, standingOf(entriesOf(db, jobId)));
  if (objections.length > 0) throw new Problem(invalid(objections));
  const labelOf = (device: string) => devices().find(({ id }) => id === device)?.label ?? device;
  return { entry: addEntry(db, jobId, entry, labelOf), isKnown: false };
}

/** Takes entries in, in their order, up to the first that is refused: how many, and what is against that one. */
function takeInAll(db: Db, jobId: string, given: readonly unknown[], writer: string) {
  // As one step, so that the disk is waited for once.
  return writing(db, () => {
    for (const [taken, one] of given.entries())
      try {
        takeIn(db, jobId, one, writer);
      } catch (error) {
        if (!(error instanceof Problem)) throw error;
        return { taken, refused: error.details };
      }
    return { taken: given.length };
  });
}

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
    const { id } = findJob(db, request.params.id);
    const { entry, isKnown } = takeIn(db, id, request.body, writerOf(response));
    response.status(isKnown ? 200 : 201).json(entry);
  });

  // What waited while there was no signal, at once.
  router.post('/jobs/:id/record/many', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const entries = (request.body as { entries?: unknown } | undefined)?.entries;
    if (!Array.isArray(entries) || entries.length === 0 || entries.length > MOST)
      throw new Problem(
        invalid([{ path: 'entries', message: `must be a list of 1 to ${MOST} entries of a record` }]),
      );
    response.json(takeInAll(db, id, entries, writerOf(response)));
  });

  return router;
}
