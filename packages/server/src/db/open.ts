import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

/** Opens the database file, creating it and bringing it up to the newest migration in the folder as needed. */
export function openDatabase(file: string, migrationsFolder: string) {
  mkdirSync(dirname(file), { recursive: true });
  const sqlite = new Database(file);
  sqlite.pragma('journal_mode = WAL');
  // What has been acknowledged must survive even a power cut.
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  const db = drizzle(sqlite, { schema });
  migrate(db, { migrationsFolder });
  return { db, close: () => sqlite.close() };
}

/** Opens a database that is there, to read it beside whoever writes. */
export function openReading(file: string): { db: Db; close: () => void } {
  const sqlite = new Database(file, { readonly: true, fileMustExist: true });
  return { db: drizzle(sqlite, { schema }), close: () => sqlite.close() };
}

export type Db = ReturnType<typeof openDatabase>['db'];
type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];

/** Reads and writes as one step that nobody else writes in between. */
export const writing = <T>(db: Db, act: (tx: Tx) => T): T => db.transaction(act, { behavior: 'immediate' });
