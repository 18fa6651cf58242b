/** What happened to how a person signs in, told on each of their devices until it was seen there. */
import { and, desc, eq, gt, isNull, ne, or } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Db } from './open';
import type { DoorEvent } from './schema';
import { doorEvents, sessions } from './schema';

/** Older ones are told nobody any more: a device that signs in anew hears of the last week, and no device of more than that. */
const TOLD_MS = 7 * 24 * 3600 * 1000;
const MOST = 20;

interface Happened {
  personId: string;
  what: DoorEvent;
  /** The session it came from, `null` where it was none of theirs. */
  sessionId: string | null;
  detail: string;
}

export function noteAtDoor(db: Pick<Db, 'insert'>, happened: Happened, at = new Date()): void {
  db.insert(doorEvents)
    .values({ id: nanoid(), ...happened, at })
    .run();
}

/** What a device was not told yet, newest first; what came from itself is no news to it. */
export function newsFor(db: Db, personId: string, sessionId: string, now = Date.now()) {
  const told = db
    .select({ toldAt: sessions.toldAt })
    .from(sessions)
    .where(eq(sessions.id, sessionId))
    .get()?.toldAt;
  const since = Math.max(told?.getTime() ?? 0, now - TOLD_MS);
  return db
    .select({ id: doorEvents.id, what: doorEvents.what, detail: doorEvents.detail, at: doorEvents.at })
    .from(doorEvents)
    .where(
      and(
        eq(doorEvents.personId, personId),
        gt(doorEvents.at, new Date(since)),
        or(isNull(doorEvents.sessionId), ne(doorEvents.sessionId, sessionId)),
      ),
    )
    .orderBy(desc(doorEvents.at))
    .limit(MOST)
    .all();
}

/** A device was told of everything up to a time, and of nothing that is still to come. */
export function toldAtDoor(db: Db, sessionId: string, upTo: Date): void {
  const toldAt = new Date(Math.min(upTo.getTime(), Date.now()));
  db.update(sessions).set({ toldAt }).where(eq(sessions.id, sessionId)).run();
}
