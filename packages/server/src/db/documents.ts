/** Documents of jobs and sites, each stored whole, one row a document, with a count of its saves. */
import type { DocumentKind, Owner } from '@zygostat/core/documents';
import { readAs } from '@zygostat/core/documents';
import { lostEvents } from '@zygostat/core/merge';
import { and, eq, lt } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
import { documentSaves, documents, jobs, siteDocuments } from './schema';

/** The two tables have the same columns under other names in the file, which is all that their types differ in. */
const TABLES: Readonly<Record<Owner, typeof documents>> = {
  jobs: documents,
  sites: siteDocuments as unknown as typeof documents,
};

/** How long a save is known by its id, ms: no device is without signal for longer and then asks for its answer. */
const KNOWN_MS = 90 * 24 * 3600_000;

type Reading = Pick<Db, 'select'>;
type Named = Pick<DocumentKind, 'owner' | 'name'>;

/**
 * An owner's document and how often it was saved: 0, and empty, before the first.
 *
 * @throws Error when what is stored is none: nothing but this server writes there.
 */
export function storedDocument<T>(
  db: Reading,
  kind: DocumentKind<T>,
  ownerId: string,
): { number: number; value: T } {
  const row = rowOf(db, kind, ownerId);
  if (!row) return { number: 0, value: kind.empty };
  const value = readAs<T>(kind, row.value);
  if (value === undefined) throw new Error(`The ${kind.name} of ${ownerId} cannot be read`);
  return { number: row.number, value };
}

function rowOf(db: Reading, { owner, name }: Named, ownerId: string) {
  const table = TABLES[owner];
  return db
    .select({ number: table.number, value: table.value })
    .from(table)
    .where(and(eq(table.ownerId, ownerId), eq(table.name, name)))
    .get();
}

interface Save<T> {
  /** The save it builds on. */
  base: number;
  value: T;
  /** Made where it was saved: sent again under the same, it is the same save. */
  id?: string | undefined;
  /** Name of whoever saved it. */
  by?: string;
}

type Saved =
  /** `latest` is the newest by then: an answer that was lost may come late. */
  | { done: true; number: number; latest: number }
  /** Another is newer. */
  | { done: false; latest: number }
  /** Paths of events that are stored and not in it. */
  | { done: false; lost: readonly string[] };

/** Saves a document on top of the save it builds on, and what it says about its job with it; otherwise nothing is changed. */
export function saveDocument<T>(
  db: Db,
  kind: DocumentKind<T>,
  ownerId: string,
  { base, value, id, by = '' }: Save<T>,
): Saved {
  const { owner, name, part, about } = kind;
  const table = TABLES[owner];
  return writing(db, (tx): Saved => {
    const known = id === undefined ? undefined : knownSave(tx, kind, ownerId, id);
    const stored = rowOf(tx, kind, ownerId);
    const latest = stored?.number ?? 0;
    if (known !== undefined) return { done: true, number: known, latest };
    if (base !== latest) return { done: false, latest };
    const lost = stored ? lostEvents(part, kind.readIn(stored.value), value) : [];
    if (lost.length > 0) return { done: false, lost };
    const row = { number: base + 1, value, by, updatedAt: new Date() };
    tx.insert(table)
      .values({ ownerId, name, ...row })
      .onConflictDoUpdate({ target: [table.ownerId, table.name], set: row })
      .run();
    if (id !== undefined) noteSave(tx, kind, ownerId, { id, number: row.number, at: row.updatedAt });
    const change = { ...about?.(value), updatedAt: row.updatedAt };
    if (owner === 'jobs') tx.update(jobs).set(change).where(eq(jobs.id, ownerId)).run();
    return { done: true, number: row.number, latest: row.number };
  });
}

const savesOf = ({ owner, name }: Named, ownerId: string) =>
  and(eq(documentSaves.owner, owner), eq(documentSaves.ownerId, ownerId), eq(documentSaves.name, name));

/** The number a save was taken in as, if it was: only the answer was lost. */
const knownSave = (db: Reading, kind: Named, ownerId: string, id: string): number | undefined =>
  db
    .select({ number: documentSaves.number })
    .from(documentSaves)
    .where(and(savesOf(kind, ownerId), eq(documentSaves.id, id)))
    .get()?.number;

function noteSave(
  tx: Pick<Db, 'insert' | 'delete'>,
  kind: Named,
  ownerId: string,
  { id, number, at }: { id: string; number: number; at: Date },
): void {
  const { owner, name } = kind;
  tx.insert(documentSaves).values({ owner, ownerId, name, id, number, at }).run();
  tx.delete(documentSaves)
    .where(and(savesOf(kind, ownerId), lt(documentSaves.at, new Date(at.getTime() - KNOWN_MS))))
    .run();
}
