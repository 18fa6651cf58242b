import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

const MIGRATIONS = join(
  process.env.ZYGOSTAT_SERVER_ROOT ?? fileURLToPath(new URL('../..', import.meta.url)),
  'drizzle',
);

/** Opens the database file, creating and migrating it as needed. */
export function openDatabase(file: string) {
  mkdirSync(dirname(file), { recursive: true });
  const sqlite = new Database(file);
  sqlite.pragma('journal_mode = WAL');
  // What has been acknowledged must survive even a power cut.
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  const db = drizzle(sqlite, { schema });
  migrate(db, { migrationsFolder: MIGRATIONS });
  return { db, close: () => sqlite.close() };
}

export type Db = ReturnType<typeof openDatabase>['db'];
