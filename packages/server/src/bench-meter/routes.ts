/**
 * The bench meter: a stand-in for a person's meter at a site with a hidden fault. It behaves like an outside device: the
 * app talks to it only over HTTP and a stream of events, in a few lines a real meter's bridge would speak too.
 */
import { Router } from 'express';
import { nanoid } from 'nanoid';
import type { Db } from '../db/open';
import { storedRevision } from '../db/revisions';
import { Problem, invalid, notFound } from '../problem';
import { findJob } from '../routes/find';
import { readHeld, readStep, remedySchema, sessionSchema } from './asked';
import type { Session } from './session';
import { startSession } from './session';

/** Readings a second, as a hand-held meter has them. */
const EVERY_MS = 250;
/** Sites kept; beyond these the oldest is put away. */
const MOST_SESSIONS = 50;
const MOST_SEED = 2 ** 31;

/** @returns routes under `/bench-meters`. */
export function benchMeterRoutes(db: Db): Router {
  const sessions = new Map<string, Session>();
  const router = Router();
  const find = (id: string) => {
    const session = sessions.get(id);
    if (!session) throw notFound(`bench meter "${id}"`);
    return session;
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
    if (sessions.size > MOST_SESSIONS) sessions.delete(sessions.keys().next().value!);
    response.status(201).json({ id, complaint: find(id).complaint });
  });

  router.put('/bench-meters/:id/probes', (request, response) => {
    const session = find(request.params.id);
    session.hold(readHeld(session.circuit, request.body));
    response.status(204).end();
  });

  /** One event a reading: `{"value":24.3}`, `{"value":null}` with the probes in the air, `"open"`, `"misused"`. */
  router.get('/bench-meters/:id/stream', (request, response) => {
    const session = find(request.params.id);
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // Not compressed: a reading must not wait for the next.
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
    });
    const tell = () =>
      response.write(`event: reading\ndata: ${JSON.stringify({ value: session.shows() })}\n\n`);
    tell();
    const timer = setInterval(tell, EVERY_MS);
    request.on('close', () => clearInterval(timer));
  });

  router.post('/bench-meters/:id/observe', (request, response) => {
    const session = find(request.params.id);
    response.json({ observed: session.observe(readStep(session.circuit, request.body)) });
  });

  router.post('/bench-meters/:id/repair', (request, response) => {
    const { remedy } = remedySchema.validateSync(request.body, { abortEarly: false });
    response.json({ sound: find(request.params.id).repair(remedy) });
  });

  router.delete('/bench-meters/:id', (request, response) => {
    find(request.params.id);
    sessions.delete(request.params.id);
    response.status(204).end();
  });

  return router;
}
