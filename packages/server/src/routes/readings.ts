import { judge } from '@zygostat/core/behaviour';
import type { MeterMode } from '@zygostat/core/network';
import { desc, eq, sql } from 'drizzle-orm';
import { Router } from 'express';
import { nanoid } from 'nanoid';
import type { Db } from '../db/open';
import { jobs, readings } from '../db/schema';
import { Problem } from '../problem';
import { newReadingSchema } from '../schemas';
import { findJob } from './jobs';

const UNITS = { 'ac-volts': 'V', 'dc-volts': 'V', ohms: 'Ω', amps: 'A' } as const satisfies Record<
  MeterMode,
  string
>;

/** An open loop travels as `null` and is judged as endless ohms. */
const ohmsOf = (value: number | null) => value ?? Infinity;

export function readingRoutes(db: Db): Router {
  const router = Router();

  router.get('/jobs/:id/readings', (request, response) => {
    const { id } = findJob(db, request.params.id);
    response.json(
      db
        .select()
        .from(readings)
        .where(eq(readings.jobId, id))
        // Of two in one millisecond the later row is the newer.
        .orderBy(desc(readings.createdAt), sql`rowid desc`)
        .limit(1000)
        .all(),
    );
  });

  router.post('/jobs/:id/readings', (request, response) => {
    const job = findJob(db, request.params.id);
    const { situation = '', ...reading } = newReadingSchema.validateSync(request.body, { abortEarly: false });
    if (reading.revision > job.revision)
      throw new Problem({
        status: 422,
        title: 'Not valid',
        detail: `revision must be at most ${job.revision}, the newest of this job`,
      });
    const unit = UNITS[reading.mode];
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
      unit,
      verdict,
      id: nanoid(12),
      jobId: job.id,
      createdAt: new Date(),
    };
    db.transaction((tx) => {
      tx.insert(readings).values(row).run();
      tx.update(jobs).set({ updatedAt: row.createdAt }).where(eq(jobs.id, job.id)).run();
    });
    response.status(201).json(row);
  });

  return router;
}
