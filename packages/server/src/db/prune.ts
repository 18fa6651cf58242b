/** What nobody can use any more, put away: ended sessions, codes that are over, what was told at the door long ago. */
import { isNotNull, lt, notInArray, or } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
import { doorEvents, invitations, jobs, photos, sessions } from './schema';
import { LONGEST_MS, UNSEEN_MS } from './sessions';

const DAY_MS = 24 * 3600 * 1000;
/** No device is told of what is older, with a margin. */
const DOOR_MS = 30 * DAY_MS;

/** Pictures of a bundle that was being taken in when the server ended. To be called while none is. */
export const pruneHalfTaken = (db: Db): void =>
  void db
    .delete(photos)
    .where(notInArray(photos.jobId, db.select({ id: jobs.id }).from(jobs)))
    .run();

export function prune(db: Db, now = Date.now()): void {
  const before = (ms: number) => new Date(now - ms);
  writing(db, (tx) => {
    tx.delete(sessions)
      .where(or(lt(sessions.seenAt, before(UNSEEN_MS)), lt(sessions.createdAt, before(LONGEST_MS))))
      .run();
    tx.delete(invitations)
      .where(or(isNotNull(invitations.usedAt), lt(invitations.expiresAt, before(0))))
      .run();
    tx.delete(doorEvents)
      .where(lt(doorEvents.at, before(DOOR_MS)))
      .run();
  });
}
