import { and, count, eq } from 'drizzle-orm';
import express, { Router } from 'express';
import { nanoid } from 'nanoid';
import type { Db } from '../db/open';
import { photos } from '../db/schema';
import { readPhotograph } from '../photograph';
import { Problem, notFound } from '../problem';
import { photoQuerySchema, pinsSchema } from '../schemas';
import { findJob, latestRevision } from './jobs';

/** As sent by a telephone; larger ones are refused before they are read. */
const PHOTO_LIMIT = '15mb';
const MOST_PHOTOS = 200;

/** Everything about a photograph but its bytes. */
const SHOWN = {
  id: photos.id,
  station: photos.station,
  width: photos.width,
  height: photos.height,
  pins: photos.pins,
  createdAt: photos.createdAt,
};

export function photoRoutes(db: Db): Router {
  const router = Router();
  const ofJob = (jobId: string, id: string) => and(eq(photos.jobId, jobId), eq(photos.id, id));
  const find = (jobId: string, id: string) => {
    const found = db.select(SHOWN).from(photos).where(ofJob(jobId, id)).get();
    if (!found) throw notFound(`photograph "${id}"`);
    return found;
  };

  router.get('/jobs/:id/photos', (request, response) => {
    const { id } = findJob(db, request.params.id);
    response.json(db.select(SHOWN).from(photos).where(eq(photos.jobId, id)).orderBy(photos.createdAt).all());
  });

  router.post(
    '/jobs/:id/photos',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: PHOTO_LIMIT }),
    async (request, response) => {
      const job = findJob(db, String(request.params.id));
      const { station } = photoQuerySchema.validateSync(request.query, { abortEarly: false });
      if (!latestRevision(db, job.id)?.circuit.stations.some(({ id }) => id === station))
        throw new Problem({
          status: 422,
          title: 'Not valid',
          detail: `station must be one of this job, not "${station}"`,
        });
      const held = db.select({ photos: count() }).from(photos).where(eq(photos.jobId, job.id)).get();
      if ((held?.photos ?? 0) >= MOST_PHOTOS)
        throw new Problem({
          status: 422,
          title: 'Too many',
          detail: `A job holds at most ${MOST_PHOTOS} photographs.`,
        });
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new Problem({
          status: 415,
          title: 'Not a photograph',
          detail: 'Send the picture itself as image/jpeg, image/png or image/webp.',
        });
      const photograph = await readPhotograph(request.body);
      const row = { ...photograph, id: nanoid(12), jobId: job.id, station, pins: [], createdAt: new Date() };
      db.insert(photos).values(row).run();
      response.status(201).json(find(job.id, row.id));
    },
  );

  router.get('/jobs/:id/photos/:photo', (request, response) => {
    const job = findJob(db, request.params.id);
    const found = db
      .select({ jpeg: photos.jpeg })
      .from(photos)
      .where(ofJob(job.id, request.params.photo))
      .get();
    if (!found) throw notFound(`photograph "${request.params.photo}"`);
    // Its bytes never change under its id.
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(found.jpeg);
  });

  router.patch('/jobs/:id/photos/:photo', (request, response) => {
    const job = findJob(db, request.params.id);
    const { id } = find(job.id, request.params.photo);
    const { pins } = pinsSchema.validateSync(request.body, { abortEarly: false });
    db.update(photos).set({ pins }).where(eq(photos.id, id)).run();
    response.json(find(job.id, id));
  });

  router.delete('/jobs/:id/photos/:photo', (request, response) => {
    const job = findJob(db, request.params.id);
    const { id } = find(job.id, request.params.photo);
    db.delete(photos).where(eq(photos.id, id)).run();
    response.status(204).end();
  });

  return router;
}
