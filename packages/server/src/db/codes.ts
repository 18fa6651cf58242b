/** Codes to come in by: for somebody new, or for a further device or a new password of somebody who is here. */
import { and, eq, gt, isNull } from 'drizzle-orm';
import { customAlphabet } from 'nanoid';
import type { Person } from './crew';
import { addPerson } from './crew';
import type { Db } from './open';
import { writing } from './open';
import type { Role } from './schema';
import { invitations } from './schema';
import { hashOf } from './secrets';

/** Letters and digits that are not taken for one another when read out. */
const CODE_LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const drawCode = customAlphabet(CODE_LETTERS, 10);

/** How long a code is good. */
export const CODE_MINUTES = 15;

interface Wanted {
  role: Role;
  /** Whose it is; `null` for somebody who is not here yet. */
  forId: string | null;
  /** `null` where the terminal makes it. */
  madeBy: string | null;
  minutes?: number;
}

/** Makes a code, told once. */
export function makeCode(db: Db, { minutes = CODE_MINUTES, ...wanted }: Wanted): string {
  const code = drawCode();
  const expiresAt = new Date(Date.now() + minutes * 60_000);
  db.insert(invitations)
    .values({ ...wanted, codeHash: hashOf(code), expiresAt })
    .run();
  return code;
}

/** A code to join by, for somebody who is not here yet. */
export const invite = (db: Db, role: Role, madeBy: string | null, minutes: number): string =>
  makeCode(db, { role, forId: null, madeBy, minutes });

/** As a code may be typed: small letters, spaces and hyphens in between. */
const spelled = (code: string) => code.toUpperCase().replace(/[\s-]/g, '');

/** The code that was given out and is still good; it is not used up by looking. */
export const goodCode = (db: Pick<Db, 'select'>, code: string) =>
  db
    .select()
    .from(invitations)
    .where(
      and(
        eq(invitations.codeHash, hashOf(spelled(code))),
        isNull(invitations.usedAt),
        gt(invitations.expiresAt, new Date()),
      ),
    )
    .get();

/** Uses a code up that is for `forId`; `null` where it is not good, or not for them. */
export function useCode(db: Pick<Db, 'select' | 'update'>, code: string, forId: string | null) {
  const found = goodCode(db, code);
  if (found?.forId !== forId) return null;
  db.update(invitations).set({ usedAt: new Date() }).where(eq(invitations.codeHash, found.codeHash)).run();
  return found;
}

/** Takes a person in by a code and uses the code up; neither where the code is not good or the name is taken. */
export function join(
  db: Db,
  code: string,
  { name, passwordHash }: { name: string; passwordHash: string },
): { joined: Person } | { refused: 'code' | 'name' } {
  return writing(db, (tx) => {
    const found = goodCode(tx, code);
    if (found?.forId !== null) return { refused: 'code' };
    const person = addPerson(tx, { name, role: found.role, passwordHash });
    if (!person) return { refused: 'name' };
    useCode(tx, code, null);
    // What the terminal showed before was for whoever comes first: nobody else leads by it.
    if (found.madeBy === null)
      tx.delete(invitations)
        .where(and(isNull(invitations.madeBy), isNull(invitations.forId), isNull(invitations.usedAt)))
        .run();
    return { joined: person };
  });
}
