/** The crew: its people, their passkeys and signed-in devices, and the codes to join by. */
import { createHash, randomBytes } from 'node:crypto';
import { and, asc, eq, gt, isNull } from 'drizzle-orm';
import { customAlphabet, nanoid } from 'nanoid';
import { noteAtDoor } from './door';
import type { Db } from './open';
import type { Role } from './schema';
import { invitations, passkeys, people, sessions } from './schema';

const DAY_MS = 24 * 3600 * 1000;
/** A device that was not seen for so long signs in again; one that was, after half a year. */
const UNSEEN_MS = 30 * DAY_MS;
const LONGEST_MS = 180 * DAY_MS;
/** When a device was seen is written down no oftener. */
const SEEN_EVERY_MS = 60_000;

/** Letters and digits that are not taken for one another when read out. */
const CODE_LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const makeCode = customAlphabet(CODE_LETTERS, 10);

export interface Person {
  id: string;
  name: string;
  role: Role;
}

/** Tokens and codes are long and drawn at random, so a plain hash keeps them: there is nothing to guess from it. */
const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

const here = () => isNull(people.leftAt);

export const isEmpty = (db: Db): boolean =>
  db.select({ id: people.id }).from(people).where(here()).limit(1).get() === undefined;

export const listPeople = (db: Db) =>
  db
    .select({ id: people.id, name: people.name, role: people.role, createdAt: people.createdAt })
    .from(people)
    .where(here())
    .orderBy(asc(people.name))
    .all();

export const personNamed = (db: Db, name: string) =>
  db
    .select()
    .from(people)
    .where(and(eq(people.name, name), here()))
    .get();

/** Adds a person; names are taken once, also those of who left. `null` where the name is taken. */
function addPerson(
  db: Pick<Db, 'insert'>,
  { name, role, passwordHash }: { name: string; role: Role; passwordHash: string },
): Person | null {
  const person = { id: nanoid(), name, role };
  const { changes } = db
    .insert(people)
    .values({ ...person, passwordHash, createdAt: new Date() })
    .onConflictDoNothing()
    .run();
  return changes > 0 ? person : null;
}

export function setPassword(db: Db, id: string, passwordHash: string): void {
  db.update(people).set({ passwordHash }).where(eq(people.id, id)).run();
}

const leads = (db: Pick<Db, 'select'>) =>
  db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.role, 'lead'), here()))
    .all();

/** Gives a person another role, or sees them off (`null`); `false` where nobody would lead any more. */
export function changePerson(db: Db, id: string, role: Role | null): boolean {
  return db.transaction((tx) => {
    const others = leads(tx).filter((lead) => lead.id !== id);
    if (role !== 'lead' && others.length === 0) return false;
    tx.update(people)
      .set(role === null ? { leftAt: new Date() } : { role })
      .where(eq(people.id, id))
      .run();
    if (role === null) {
      tx.delete(sessions).where(eq(sessions.personId, id)).run();
      tx.delete(passkeys).where(eq(passkeys.personId, id)).run();
    } else noteAtDoor(tx, { personId: id, what: 'role', sessionId: null, detail: role });
    return true;
  });
}

/** Signs a device in; the token is told once. */
export function openSession(db: Db, personId: string, device: string): string {
  const token = randomBytes(32).toString('base64url');
  const now = new Date();
  const id = nanoid();
  db.insert(sessions)
    .values({ id, tokenHash: hashOf(token), personId, device, createdAt: now, seenAt: now, provedAt: now })
    .run();
  noteAtDoor(db, { personId, what: 'signed-in', sessionId: id, detail: device }, now);
  return token;
}

/** Whose device a token is of, and the session's id; `null` for one that ended or was never given. */
export function personOf(
  db: Db,
  token: string,
  now = Date.now(),
): { person: Person; session: string; provedAt: Date | null } | null {
  const found = db
    .select({ session: sessions, person: people })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(
      and(
        eq(sessions.tokenHash, hashOf(token)),
        gt(sessions.seenAt, new Date(now - UNSEEN_MS)),
        gt(sessions.createdAt, new Date(now - LONGEST_MS)),
        here(),
      ),
    )
    .get();
  if (!found) return null;
  const { session, person } = found;
  if (now - session.seenAt.getTime() > SEEN_EVERY_MS)
    db.update(sessions)
      .set({ seenAt: new Date(now) })
      .where(eq(sessions.id, session.id))
      .run();
  const { id, name, role } = person;
  return { person: { id, name, role }, session: session.id, provedAt: session.provedAt };
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
      person: people.name,
      device: sessions.device,
      createdAt: sessions.createdAt,
      seenAt: sessions.seenAt,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(personId === undefined ? undefined : eq(sessions.personId, personId))
    .orderBy(asc(people.name), asc(sessions.createdAt))
    .all();

/** Signs a device out; `personId` where only one of theirs may be. */
export const closeSession = (db: Db, id: string, personId?: string): boolean =>
  db
    .delete(sessions)
    .where(and(eq(sessions.id, id), personId === undefined ? undefined : eq(sessions.personId, personId)))
    .run().changes > 0;

/** Signs every other device of a person out. */
export function closeOtherSessions(db: Db, personId: string, but: string): void {
  for (const { id } of listSessions(db, personId)) if (id !== but) closeSession(db, id);
}

/** A code to join by, told once. */
export function invite(db: Db, role: Role, madeBy: string | null, minutes: number): string {
  const code = makeCode();
  const expiresAt = new Date(Date.now() + minutes * 60_000);
  db.insert(invitations)
    .values({ codeHash: hashOf(code), role, madeBy, expiresAt })
    .run();
  return code;
}

/** As a code may be typed: small letters, spaces and hyphens in between. */
const spelled = (code: string) => code.toUpperCase().replace(/[\s-]/g, '');

/** Takes a person in by a code and uses the code up; neither where the code is not good or the name is taken. */
export function join(
  db: Db,
  code: string,
  { name, passwordHash }: { name: string; passwordHash: string },
): { joined: Person } | { refused: 'code' | 'name' } {
  return db.transaction((tx) => {
    const codeHash = hashOf(spelled(code));
    const good = and(
      eq(invitations.codeHash, codeHash),
      isNull(invitations.usedAt),
      gt(invitations.expiresAt, new Date()),
    );
    const found = tx.select().from(invitations).where(good).get();
    if (!found) return { refused: 'code' };
    const person = addPerson(tx, { name, role: found.role, passwordHash });
    if (!person) return { refused: 'name' };
    tx.update(invitations).set({ usedAt: new Date() }).where(eq(invitations.codeHash, codeHash)).run();
    return { joined: person };
  });
}

/** Whether a code would be taken; it is not used up. */
export const isGoodCode = (db: Db, code: string): boolean =>
  db
    .select({ codeHash: invitations.codeHash })
    .from(invitations)
    .where(
      and(
        eq(invitations.codeHash, hashOf(spelled(code))),
        isNull(invitations.usedAt),
        gt(invitations.expiresAt, new Date()),
      ),
    )
    .get() !== undefined;

export interface Passkey {
  id: string;
  publicKey: Uint8Array<ArrayBuffer>;
  counter: number;
}

export function addPasskey(db: Db, personId: string, key: Passkey, device: string): void {
  db.insert(passkeys)
    .values({ ...key, publicKey: Buffer.from(key.publicKey), personId, device, createdAt: new Date() })
    .run();
}

export const passkeysOf = (db: Db, personId: string) =>
  db
    .select({ id: passkeys.id, device: passkeys.device, createdAt: passkeys.createdAt })
    .from(passkeys)
    .where(eq(passkeys.personId, personId))
    .all();

export const removePasskey = (db: Db, id: string, personId: string): boolean =>
  db
    .delete(passkeys)
    .where(and(eq(passkeys.id, id), eq(passkeys.personId, personId)))
    .run().changes > 0;

/** A passkey and whose it is. */
export function passkeyById(db: Db, id: string): { key: Passkey; person: Person } | null {
  const found = db
    .select({ key: passkeys, person: people })
    .from(passkeys)
    .innerJoin(people, eq(people.id, passkeys.personId))
    .where(and(eq(passkeys.id, id), here()))
    .get();
  if (!found) return null;
  const { key, person } = found;
  return {
    key: { id: key.id, publicKey: new Uint8Array(key.publicKey), counter: key.counter },
    person: { id: person.id, name: person.name, role: person.role },
  };
}

export function countPasskey(db: Db, id: string, counter: number): void {
  db.update(passkeys).set({ counter }).where(eq(passkeys.id, id)).run();
}
