import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import Database from 'better-sqlite3';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';
import type { Trouble } from './trouble';
import { lastTrouble, note, troubleIn } from './trouble';

/** The database file is damaged: what is wrong with it. */
export class DamagedError extends Error {}

/** Looks through a database that is about to be opened (`PRAGMA quick_check`), before anything is written to it. */
function checked(sqlite: Database.Database): void {
  try {
    const [found] = sqlite.pragma('quick_check(1)') as { quick_check: string }[];
    if (found?.quick_check !== 'ok')
      throw new DamagedError(found?.quick_check.replace(/\s+/g, ' ') ?? 'it cannot be read');
  } catch (error) {
    if (troubleIn(error) === 'damaged') throw new DamagedError((error as Error).message);
    throw error;
  }
}

/**
 * Opens the database file, creating it and bringing it up to the newest migration in the folder as needed. Nobody else on the
 * machine may read it.
 *
 * @throws DamagedError when it is no whole database.
 */
export function openDatabase(file: string, migrationsFolder: string) {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const isThere = existsSync(file);
  const sqlite = new Database(file);
  if (isThere) checked(sqlite);
  chmodSync(file, 0o600);
  sqlite.pragma('journal_mode = WAL');
  // What has been acknowledged must survive even a power cut.
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  const db = drizzle(sqlite, { schema });
  migrate(db, { migrationsFolder });
  const close = () => {
    try {
      // What waits beside the file goes in: whoever copies it by hand has all of it.
      sqlite.pragma('wal_checkpoint(TRUNCATE)');
    } catch {
      // Otherwise it goes in when the file is opened the next time.
    }
    sqlite.close();
  };
  return { db, close };
}

/** Opens a database that is there, beside whoever else reads and writes it. */
export function openBeside(file: string, use: 'reads' | 'writes'): { db: Db; close: () => void } {
  const sqlite = new Database(file);
  if (use === 'reads') sqlite.pragma('query_only = ON');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  return { db: drizzle(sqlite, { schema }), close: () => sqlite.close() };
}

export type Db = ReturnType<typeof openDatabase>['db'];

/** The file that is open, for whoever reads it beside. */
export const fileOf = (db: Db): string =>
  db.get<{ file: string }>(sql`select file from pragma_database_list where name = 'main'`).file;

type Tx = Parameters<Parameters<Db['transaction']>[0]>[0];

/**
 * Reads and writes as one step that nobody else writes in between; within another it is a part of that one.
 *
 * By hand, since the driver's own rolls back what a full disk has rolled back already, and tells of that in place of the disk.
 */
export function writing<T>(db: Db, act: (tx: Tx) => T): T {
  const { $client: client } = db;
  const tx = db as unknown as Tx;
  if (client.inTransaction) return act(tx);
  client.exec('BEGIN IMMEDIATE');
  try {
    const done = act(tx);
    client.exec('COMMIT');
    return done;
  } catch (error) {
    if (client.inTransaction) client.exec('ROLLBACK');
    throw error;
  }
}

/** Whether the disk takes anything now: a write that changes nothing, tried where one failed before. */
export function retried(db: Db): Trouble | null {
  if (lastTrouble() === null) return null;
  try {
    const { user_version: version } = db.get<{ user_version: number }>(sql`pragma user_version`);
    db.run(sql.raw(`pragma user_version = ${version}`));
    note(null);
  } catch (error) {
    note(troubleIn(error) ?? 'failing');
  }
  return lastTrouble();
}
