/** The crew: its people and their passkeys. */
import { and, asc, eq, isNull, or } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import { nameKept, nameKey } from '../crew/name';
import { noteAtDoor } from './door';
import type { Db } from './open';
import { writing } from './open';
import type { Role } from './schema';
import { invitations, knownDevices, passkeys, people, sessions } from './schema';

export interface Person {
  id: string;
  name: string;
  role: Role;
}

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

/** Whoever goes by a name, as it is typed. */
export const personNamed = (db: Db, name: string) =>
  db
    .select()
    .from(people)
    .where(here())
    .all()
    .find((person) => nameKey(person.name) === nameKey(name));

/** Adds a person; names are taken once, also those of who left, and also by one that looks the same. `null` where it is taken. */
export function addPerson(
  db: Pick<Db, 'insert' | 'select'>,
  { name, role, passwordHash }: { name: string; role: Role; passwordHash: string },
): Person | null {
  const taken = db.select({ name: people.name }).from(people).all();
  if (taken.some((one) => nameKey(one.name) === nameKey(name))) return null;
  const person = { id: nanoid(), name: nameKept(name), role };
  db.insert(people)
    .values({ ...person, passwordHash, createdAt: new Date() })
    .run();
  return person;
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
  return writing(db, (tx) => {
    const others = leads(tx).filter((lead) => lead.id !== id);
    if (role !== 'lead' && others.length === 0) return false;
    tx.update(people)
      .set(role === null ? { leftAt: new Date() } : { role })
      .where(eq(people.id, id))
      .run();
    if (role === null) {
      tx.delete(sessions).where(eq(sessions.personId, id)).run();
      tx.delete(passkeys).where(eq(passkeys.personId, id)).run();
      tx.delete(knownDevices).where(eq(knownDevices.personId, id)).run();
      // Also those that they made for others: who is gone lets nobody in.
      tx.delete(invitations)
        .where(or(eq(invitations.forId, id), eq(invitations.madeBy, id)))
        .run();
    } else noteAtDoor(tx, { personId: id, what: 'role', sessionId: null, detail: role });
    return true;
  });
}

export interface Passkey {
  id: string;
  publicKey: Uint8Array<ArrayBuffer>;
  counter: number;
}

/** Adds a key; one that is a person's already stays theirs. `false` where it is somebody else's. */
export function addPasskey(db: Db, personId: string, key: Passkey, device: string): boolean {
  return writing(db, (tx) => {
    const known = tx
      .select({ personId: passkeys.personId })
      .from(passkeys)
      .where(eq(passkeys.id, key.id))
      .get();
    if (known) return known.personId === personId;
    tx.insert(passkeys)
      .values({ ...key, publicKey: Buffer.from(key.publicKey), personId, device, createdAt: new Date() })
      .run();
    return true;
  });
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
