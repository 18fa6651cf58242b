/** What stand-ins for things outside remember, so that a server started anew goes on with them. */
import { and, asc, eq, notInArray } from 'drizzle-orm';
import type { Db } from './open';
import { standIns } from './schema';

type StandInKind = 'bench-meter' | 'fire-panel' | 'wireless-link';

const at = (kind: StandInKind, id: string) => and(eq(standIns.kind, kind), eq(standIns.id, id));

/** What one remembers, as it was kept; `undefined` when there is none. */
export const keptStandIn = (db: Db, kind: StandInKind, id: string): unknown =>
  db.select({ value: standIns.value }).from(standIns).where(at(kind, id)).get()?.value;

export function keepStandIn(db: Db, kind: StandInKind, id: string, value: unknown): void {
  const row = { value, updatedAt: new Date() };
  db.insert(standIns)
    .values({ kind, id, ...row })
    .onConflictDoUpdate({ target: [standIns.kind, standIns.id], set: row })
    .run();
}

export function forgetStandIn(db: Db, kind: StandInKind, id: string): void {
  db.delete(standIns).where(at(kind, id)).run();
}

/** All of a kind, the newest last. */
export const standInIds = (db: Db, kind: StandInKind): string[] =>
  db
    .select({ id: standIns.id })
    .from(standIns)
    .where(eq(standIns.kind, kind))
    .orderBy(asc(standIns.updatedAt))
    .all()
    .map(({ id }) => id);

/** Keeps the newest of a kind and forgets the others. */
export function keepNewest(db: Db, kind: StandInKind, most: number): void {
  const ids = standInIds(db, kind);
  if (ids.length <= most) return;
  const newest = ids.slice(-most);
  db.delete(standIns)
    .where(and(eq(standIns.kind, kind), notInArray(standIns.id, newest)))
    .run();
}
