/** Signed-in devices of the crew, and those known to be somebody's. */
import { randomBytes } from 'node:crypto';
import { and, asc, eq, gt, isNull } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Person } from './crew';
import { noteAtDoor } from './door';
import type { Db } from './open';
import { knownDevices, people, sessions } from './schema';
import { hashOf } from './secrets';
import { note, troubleIn } from './trouble';

const DAY_MS = 24 * 3600 * 1000;
/** A device that was not seen for so long signs in again; one that was, after half a year. */
export const UNSEEN_MS = 30 * DAY_MS;
export const LONGEST_MS = 180 * DAY_MS;
/** When a device was seen is written down no oftener. */
const SEEN_EVERY_MS = 60_000;

const drawToken = () => randomBytes(32).toString('base64url');

/** Which of a person's known devices carries a token; `null` for none. */
export const knownDevice = (db: Db, personId: string, token: string): string | null =>
  db
    .select({ id: knownDevices.id })
    .from(knownDevices)
    .where(and(eq(knownDevices.tokenHash, hashOf(token)), eq(knownDevices.personId, personId)))
    .get()?.id ?? null;

/** Keeps a device as known to be a person's. One that others are known on carries a token already, and keeps it. */
export function keepKnown(db: Db, personId: string, carried?: string): { id: string; token: string } {
  const isOurs =
    carried !== undefined &&
    db
      .select({ id: knownDevices.id })
      .from(knownDevices)
      .where(eq(knownDevices.tokenHash, hashOf(carried)))
      .get() !== undefined;
  const token = isOurs ? carried : drawToken();
  const known = knownDevice(db, personId, token);
  if (known !== null) return { id: known, token };
  const id = nanoid();
  db.insert(knownDevices)
    .values({ id, personId, tokenHash: hashOf(token), createdAt: new Date() })
    .run();
  return { id, token };
}

/** A device is known to be a person's no longer, whoever carries its token. */
export function forgetKnown(db: Db, id: string): void {
  db.delete(knownDevices).where(eq(knownDevices.id, id)).run();
}

/** The device of a session is a known one from now on. */
export function becomesKnown(db: Db, session: string, knownId: string): void {
  db.update(sessions).set({ knownId }).where(eq(sessions.id, session)).run();
}

/** Signs a device in; the token is told once. `knownId` where it is one of the person's known devices. */
export function openSession(db: Db, personId: string, device: string, knownId: string | null): string {
  const token = drawToken();
  const now = new Date();
  const id = nanoid();
  db.insert(sessions)
    .values({
      id,
      tokenHash: hashOf(token),
      personId,
      device,
      createdAt: now,
      seenAt: now,
      provedAt: now,
      knownId,
    })
    .run();
  noteAtDoor(db, { personId, what: 'signed-in', sessionId: id, detail: device }, now);
  return token;
}

export interface SignedIn {
  person: Person;
  /** The session of the device. */
  session: string;
  /** When they last proved on it that it is them. */
  provedAt: Date | null;
  /** Whether the device is known to be theirs by more than a password. */
  isKnown: boolean;
}

/** When a device was seen. What cannot be written down, with the disk full, keeps nobody from reading. */
function noteSeen(db: Db, id: string, seenAt: Date): void {
  try {
    db.update(sessions).set({ seenAt }).where(eq(sessions.id, id)).run();
  } catch (error) {
    const trouble = troubleIn(error);
    if (trouble === null) throw error;
    note(trouble);
  }
}

/** Whose device a token is of; `null` for one that ended or was never given. */
export function personOf(db: Db, token: string, now = Date.now()): SignedIn | null {
  const found = db
    .select({ session: sessions, person: people })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(
      and(
        eq(sessions.tokenHash, hashOf(token)),
        gt(sessions.seenAt, new Date(now - UNSEEN_MS)),
        gt(sessions.createdAt, new Date(now - LONGEST_MS)),
        isNull(people.leftAt),
      ),
    )
    .get();
  if (!found) return null;
  const { session, person } = found;
  if (now - session.seenAt.getTime() > SEEN_EVERY_MS) noteSeen(db, session.id, new Date(now));
  const { id, name, role } = person;
  return {
    person: { id, name, role },
    session: session.id,
    provedAt: session.provedAt,
    isKnown: session.knownId !== null,
  };
}

/** Notes that the person of a session has just proved that it is them. */
export function proved(db: Db, session: string): void {
  db.update(sessions).set({ provedAt: new Date() }).where(eq(sessions.id, session)).run();
}

/** Signed-in devices of a person, or of everyone. */
export const listSessions = (db: Db, personId?: string) =>
  db
    .select({
      id: sessions.id,
      personId: sessions.personId,
      person: people.name,
      device: sessions.device,
      createdAt: sessions.createdAt,
      seenAt: sessions.seenAt,
      knownId: sessions.knownId,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(personId === undefined ? undefined : eq(sessions.personId, personId))
    .orderBy(asc(people.name), asc(sessions.createdAt))
    .all();

/** Signs a device out; it stays known. */
export function closeSession(db: Db, id: string): void {
  db.delete(sessions).where(eq(sessions.id, id)).run();
}

/** Signs every other device of a person out; they stay known. */
export function closeOtherSessions(db: Db, personId: string, but: string | null): void {
  for (const { id } of listSessions(db, personId)) if (id !== but) closeSession(db, id);
}
