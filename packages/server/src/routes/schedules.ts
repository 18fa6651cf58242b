import { readSchedule, writeSchedule } from '@zygostat/core/formats';
import express, { Router } from 'express';
import type { Db } from '../db/open';
import { latestRevision } from '../db/revisions';
import { invalid, Problem } from '../problem';
import { scheduleQuerySchema } from '../schemas';
import { findJob } from './find';

const LARGEST = '1mb';

/** The wire schedule as CSV: out, and a look at what reading one in would make of the circuit. */
export function scheduleRoutes(db: Db): Router {
  const router = Router();
  const circuitOf = (jobId: string) => latestRevision(db, findJob(db, jobId).id)!.circuit;

  router.get('/jobs/:id/schedule.csv', (request, response) => {
    response
      .type('text/csv; charset=utf-8; header=present')
      .attachment('wire-schedule.csv')
      .send(writeSchedule(circuitOf(request.params.id)));
  });

  // Nothing is saved: the answer is a preview, taken as an edit like any other or left.
  router.post(
    '/jobs/:id/schedule',
    express.text({ type: 'text/csv', limit: LARGEST }),
    (request, response) => {
      const { mode } = scheduleQuerySchema.validateSync(request.query, { abortEarly: false });
      const before = circuitOf(request.params.id);
      const text: unknown = request.body;
      if (typeof text !== 'string')
        throw new Problem({
          status: 415,
          title: 'Not a schedule',
          detail: 'Send the schedule as text/csv.',
        });
      const read = readSchedule(text.replace(/^\uFEFF/, ''), before, mode);
      if (!read.ok)
        throw new Problem(
          invalid(read.problems.map(({ line, message }) => ({ path: `line ${line}`, message }))),
        );
      response.json({ circuit: read.circuit, conductors: read.conductors });
    },
  );

  return router;
}
