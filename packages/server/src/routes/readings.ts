import { UNIT_OF_MODE, judge } from '@zygostat/core/behaviour';
import { Router } from 'express';
import { nanoid } from 'nanoid';
import { writerOf } from '../crew/who';
import type { Db } from '../db/open';
import { listReadings, logReading } from '../db/readings';
import { Problem } from '../problem';
import { newReadingSchema } from '../schemas';
import { findJob } from './find';

/** An open loop travels as `null` and is judged as endless ohms. */
const ohmsOf = (value: number | null) => value ?? Infinity;

export function readingRoutes(db: Db): Router {
  const router = Router();

  router.get('/jobs/:id/readings', (request, response) => {
    response.json(listReadings(db, findJob(db, request.params.id).id));
  });

  router.post('/jobs/:id/readings', (request, response) => {
    const job = findJob(db, request.params.id);
    const {
      situation = '',
      state = '',
      id = nanoid(12),
      ...reading
    } = newReadingSchema.validateSync(request.body, { abortEarly: false });
    if (reading.revision > job.revision)
      throw new Problem({
        status: 422,
        title: 'Not valid',
        detail: `revision must be at most ${job.revision}, the newest of this job`,
      });
    const unit = UNIT_OF_MODE[reading.mode];
    if (unit !== 'Ω' && (reading.actual === null || reading.expected === null))
      throw new Problem({
        status: 422,
        title: 'Not valid',
        detail: 'actual and expected may be null (open loop) only for ohms',
      });
    const verdict = judge(ohmsOf(reading.actual), ohmsOf(reading.expected), unit);
    const row = {
      ...reading,
      situation,
      state,
      unit,
      verdict,
      id,
      by: writerOf(response),
      jobId: job.id,
      createdAt: new Date(),
    };
    const logged = logReading(db, row);
    if (logged.jobId !== job.id)
      throw new Problem({ status: 409, title: 'Taken', detail: 'id is that of a reading of another job' });
    response.status(201).json(logged);
  });

  return router;
}
