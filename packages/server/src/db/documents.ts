/** Documents of jobs and sites, each stored whole, one row a document, with a count of its saves. */
import { and, eq } from 'drizzle-orm';
import type { Owner, StoredDocument } from '../documents';
import type { Db } from './open';
import { documents, jobs, siteDocuments } from './schema';

/** The two tables have the same columns under other names in the file, which is all that their types differ in. */
const TABLES: Readonly<Record<Owner, typeof documents>> = {
  jobs: documents,
  sites: siteDocuments as unknown as typeof documents,
};

/** An owner's document and how often it was saved: 0, and empty, before the first. */
export function storedDocument<T>(
  db: Pick<Db, 'select'>,
  { of, name, empty }: Pick<StoredDocument<T>, 'of' | 'name' | 'empty'>,
  ownerId: string,
): { number: number; value: T } {
  const table = TABLES[of];
  const row = db
    .select({ number: table.number, value: table.value })
    .from(table)
    .where(and(eq(table.ownerId, ownerId), eq(table.name, name)))
    .get();
  return row ? { number: row.number, value: row.value as T } : { number: 0, value: empty };
}

/** Saves a document on top of the save it builds on; when another is newer, nothing is changed and that one is told. */
export function saveDocument<T>(
  db: Db,
  document: StoredDocument<T>,
  ownerId: string,
  base: number,
  value: T,
  by = '',
): { done: true; number: number } | { done: false; latest: number } {
  const { of, name } = document;
  const table = TABLES[of];
  return db.transaction(
    (tx) => {
      const latest = storedDocument(tx, document, ownerId).number;
      if (base !== latest) return { done: false, latest };
      const row = { number: latest + 1, value, by, updatedAt: new Date() };
      tx.insert(table)
        .values({ ownerId, name, ...row })
        .onConflictDoUpdate({ target: [table.ownerId, table.name], set: row })
        .run();
      if (of === 'jobs') tx.update(jobs).set({ updatedAt: row.updatedAt }).where(eq(jobs.id, ownerId)).run();
      return { done: true, number: row.number };
    },
    { behavior: 'immediate' },
  );
}
