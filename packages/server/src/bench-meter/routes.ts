/**
 * The bench meter: a stand-in for a person's meter at a site with a hidden fault. It behaves like an outside device: the
 * app talks to it only over HTTP and a stream of events, in a few lines a real meter's bridge would speak too.
 */
import { Router } from 'express';
import { nanoid } from 'nanoid';
import type { Db } from '../db/open';
import { storedRevision } from '../db/revisions';
import { forgetStandIn, keepNewest, keepStandIn, keptStandIn } from '../db/stand-ins';
import { Problem, invalid, notFound } from '../problem';
import { findJob } from '../routes/find';
import { openStream } from '../stream';
import { readHeld, readStep, remedySchema, sessionSchema } from './asked';
import type { Remembered, Session } from './session';
import { startSession } from './session';

/** Readings a second, as a hand-held meter has them. */
const EVERY_MS = 250;
/** Sites kept; beyond these the oldest is put away. */
const MOST_SESSIONS = 50;
const MOST_SEED = 2 ** 31;

/** What is kept of a site: the circuit it is of, and what is wrong there. */
interface Kept extends Remembered {
  job: string;
  revision: number;
}

/** @returns routes under `/bench-meters`. */
export function benchMeterRoutes(db: Db): Router {
  const sessions = new Map<string, Session>();
  const router = Router();
  /** A site as it was left; a server started anew goes on with it. */
  const restored = (id: string): Session | undefined => {
    const kept = keptStandIn(db, 'bench-meter', id) as Kept | undefined;
    const revision = kept && storedRevision(db, kept.job, kept.revision);
    return revision && startSession(revision.circuit, kept);
  };
  const find = (id: string): Session => {
    const session = sessions.get(id) ?? restored(id);
    if (!session) throw notFound(`bench meter "${id}"`);
    sessions.set(id, session);
    return session;
  };
  const keep = (id: string, of: Pick<Kept, 'job' | 'revision'>, session: Session) => {
    const value: Kept = { ...of, ...session.remembers() };
    keepStandIn(db, 'bench-meter', id, value);
  };
  const keepAgain = (id: string, session: Session) => {
    const { job, revision } = keptStandIn(db, 'bench-meter', id) as Kept;
    keep(id, { job, revision }, session);
  };

  router.post('/bench-meters', (request, response) => {
    const given = sessionSchema.validateSync(request.body, { abortEarly: false });
    const job = findJob(db, given.job);
    const { circuit } = storedRevision(db, job.id, job.revision) ?? { circuit: null };
    if (!circuit) throw new Problem(invalid([{ path: 'job', message: 'must have a circuit' }]));
    const { faults, seed = Math.floor(MOST_SEED * Math.random()), noisy = true } = given;
    const id = nanoid(12);
    try {
      sessions.set(id, startSession(circuit, { ...(faults && { faults }), seed, noisy }));
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      throw new Problem(invalid([{ path: 'faults', message: error.message }]));
    }
    keep(id, { job: job.id, revision: job.revision }, find(id));
    keepNewest(db, 'bench-meter', MOST_SESSIONS);
    if (sessions.size > MOST_SESSIONS) sessions.delete(sessions.keys().next().value!);
    response.status(201).json({ id, complaint: find(id).complaint });
  });

  router.put('/bench-meters/:id/probes', (request, response) => {
    const session = find(request.params.id);
    session.hold(readHeld(session.circuit, request.body));
    keepAgain(request.params.id, session);
    response.status(204).end();
  });

  /** One event a reading: `{"value":24.3}`, `{"value":null}` with the probes in the air, `"open"`, `"misused"`. */
  router.get('/bench-meters/:id/stream', (request, response) => {
    const session = find(request.params.id);
    const tell = () =>
      response.write(`event: reading\ndata: ${JSON.stringify({ value: session.shows() })}\n\n`);
    openStream(request, response, { everyMs: EVERY_MS, every: tell });
    tell();
  });

  router.post('/bench-meters/:id/observe', (request, response) => {
    const session = find(request.params.id);
    response.json({ observed: session.observe(readStep(session.circuit, request.body)) });
  });

  router.post('/bench-meters/:id/repair', (request, response) => {
    const { remedy } = remedySchema.validateSync(request.body, { abortEarly: false });
    const session = find(request.params.id);
    const sound = session.repair(remedy);
    keepAgain(request.params.id, session);
    response.json({ sound });
  });

  router.delete('/bench-meters/:id', (request, response) => {
    find(request.params.id);
    sessions.delete(request.params.id);
    forgetStandIn(db, 'bench-meter', request.params.id);
    response.status(204).end();
  });

  return router;
}
