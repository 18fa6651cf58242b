/** Photographs of a job's places. */
import { and, count, eq } from 'drizzle-orm';
import type { Db } from './open';
import type { Pin } from './schema';
import { photos } from './schema';

/** Everything about a photograph but its bytes. */
const SHOWN = {
  id: photos.id,
  station: photos.station,
  width: photos.width,
  height: photos.height,
  pins: photos.pins,
  by: photos.by,
  createdAt: photos.createdAt,
};

const ofJob = (jobId: string, id: string) => and(eq(photos.jobId, jobId), eq(photos.id, id));

export const storedPhoto = (db: Db, jobId: string, id: string) =>
  db.select(SHOWN).from(photos).where(ofJob(jobId, id)).get();

export const photoBytes = (db: Db, jobId: string, id: string): Buffer | undefined =>
  db.select({ jpeg: photos.jpeg }).from(photos).where(ofJob(jobId, id)).get()?.jpeg;

export const listPhotos = (db: Db, jobId: string) =>
  db.select(SHOWN).from(photos).where(eq(photos.jobId, jobId)).orderBy(photos.createdAt).all();

export const countPhotos = (db: Db, jobId: string): number =>
  db.select({ photos: count() }).from(photos).where(eq(photos.jobId, jobId)).get()?.photos ?? 0;

export const addPhoto = (db: Db, row: typeof photos.$inferInsert): void =>
  void db.insert(photos).values(row).run();

export const pinPhoto = (db: Db, id: string, pins: Pin[]): void =>
  void db.update(photos).set({ pins }).where(eq(photos.id, id)).run();

export const removePhoto = (db: Db, id: string): void =>
  void db.delete(photos).where(eq(photos.id, id)).run();
