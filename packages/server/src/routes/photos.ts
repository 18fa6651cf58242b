import express, { Router } from 'express';
import { nanoid } from 'nanoid';
import { writerOf } from '../crew/who';
import type { Db } from '../db/open';
import {
  MOST_PHOTOS,
  addPhoto,
  listPhotos,
  photoBytes,
  photoStands,
  pinPhoto,
  removePhoto,
  storedPhoto,
} from '../db/photos';
import { latestRevision } from '../db/revisions';
import { readPhotograph } from '../photograph';
import { Problem, notFound } from '../problem';
import { photoQuerySchema, pinsSchema } from '../schemas';
import { findJob } from './find';

/** As sent by a telephone; larger ones are refused before they are read. */
const PHOTO_LIMIT = '15mb';

/** @throws Problem where a photograph cannot be taken in. */
function refuse(stands: ReturnType<typeof photoStands>): void {
  if (stands === 'full')
    throw new Problem({
      status: 422,
      title: 'Too many',
      detail: `A job holds at most ${MOST_PHOTOS} photographs.`,
    });
  if (stands === 'elsewhere')
    throw new Problem({ status: 409, title: 'Taken', detail: 'id is that of a photograph of another job' });
}

export function photoRoutes(db: Db): Router {
  const router = Router();
  const find = (jobId: string, id: string) => {
    const found = storedPhoto(db, jobId, id);
    if (!found) throw notFound(`photograph "${id}"`);
    return found;
  };

  router.get('/jobs/:id/photos', (request, response) => {
    response.json(listPhotos(db, findJob(db, request.params.id).id));
  });

  router.post(
    '/jobs/:id/photos',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: PHOTO_LIMIT }),
    async (request, response) => {
      const job = findJob(db, String(request.params.id));
      const { station, id = nanoid(12) } = photoQuerySchema.validateSync(request.query, {
        abortEarly: false,
      });
      // Before it is drawn anew, which takes a while; and once more when it is stored.
      const before = photoStands(db, job.id, id);
      if (before === 'known') return response.status(200).json(find(job.id, id));
      refuse(before);
      if (!latestRevision(db, job.id)?.circuit.stations.some((one) => one.id === station))
        throw new Problem({
          status: 422,
          title: 'Not valid',
          detail: `station must be one of this job, not "${station}"`,
        });
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new Problem({
          status: 415,
          title: 'Not a photograph',
          detail: 'Send the picture itself as image/jpeg, image/png or image/webp.',
        });
      const photograph = await readPhotograph(request.body);
      const row = {
        ...photograph,
        id,
        jobId: job.id,
        station,
        pins: [],
        by: writerOf(response),
        createdAt: new Date(),
      };
      const stands = addPhoto(db, row);
      refuse(stands);
      return response.status(stands === 'known' ? 200 : 201).json(find(job.id, row.id));
    },
  );

  router.get('/jobs/:id/photos/:photo', (request, response) => {
    const job = findJob(db, request.params.id);
    const jpeg = photoBytes(db, job.id, request.params.photo);
    if (!jpeg) throw notFound(`photograph "${request.params.photo}"`);
    // Its bytes never change under its id.
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(jpeg);
  });

  router.patch('/jobs/:id/photos/:photo', (request, response) => {
    const job = findJob(db, request.params.id);
    const { id } = find(job.id, request.params.photo);
    const { pins } = pinsSchema.validateSync(request.body, { abortEarly: false });
    pinPhoto(db, id, pins);
    response.json(find(job.id, id));
  });

  router.delete('/jobs/:id/photos/:photo', (request, response) => {
    const job = findJob(db, request.params.id);
    const { id } = find(job.id, request.params.photo);
    removePhoto(db, id);
    response.status(204).end();
  });

  return router;
}
