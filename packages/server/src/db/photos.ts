/** Photographs of a job's places. */
import { and, count, eq } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
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

/** Most a job holds. */
export const MOST_PHOTOS = 200;

const isFull = (db: Pick<Db, 'select'>, jobId: string): boolean =>
  (db.select({ photos: count() }).from(photos).where(eq(photos.jobId, jobId)).get()?.photos ?? 0) >=
  MOST_PHOTOS;

/** What would become of a photograph: it is there already, under this job or another, or there is no room for it. */
export function photoStands(
  db: Pick<Db, 'select'>,
  jobId: string,
  id: string,
): 'known' | 'elsewhere' | 'full' | 'new' {
  const found = db.select({ jobId: photos.jobId }).from(photos).where(eq(photos.id, id)).get();
  if (found) return found.jobId === jobId ? 'known' : 'elsewhere';
  return isFull(db, jobId) ? 'full' : 'new';
}

/** Adds one, unless it is there by now or there is no room any more: asked and stored in one step. */
export const addPhoto = (db: Db, row: typeof photos.$inferInsert): ReturnType<typeof photoStands> =>
  writing(db, (tx) => {
    const stands = photoStands(tx, row.jobId, row.id);
    if (stands === 'new') tx.insert(photos).values(row).run();
    return stands;
  });

export const pinPhoto = (db: Db, id: string, pins: Pin[]): void =>
  void db.update(photos).set({ pins }).where(eq(photos.id, id)).run();

export const removePhoto = (db: Db, id: string): void =>
  void db.delete(photos).where(eq(photos.id, id)).run();
