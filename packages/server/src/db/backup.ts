/** Copies of the database: made while it serves, opened before they count, put in its place all at once. */
import {
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { dirname } from 'node:path';
import Database from 'better-sqlite3';

/** A copy that is none, or a moment that does not fit, told to whoever asked. */
export class BackupError extends Error {}

/** What a copy holds, counted in it. */
export interface Held {
  jobs: number;
  revisions: number;
  entries: number;
}

/** Under a name of its own until it is whole: a copy that was broken off is never taken for one. */
const UNFINISHED = '.unfinished';

function settle(file: string): void {
  const handle = openSync(file, 'r+');
  fsyncSync(handle);
  closeSync(handle);
}

/**
 * Opens a copy and looks through it.
 * @throws BackupError when it is not whole, or not ours.
 */
export function verify(file: string): Held {
  if (!existsSync(file)) throw new BackupError(`There is no file "${file}".`);
  const copy = open(file);
  try {
    const damage = copy.pragma('integrity_check') as { integrity_check: string }[];
    const broken = copy.pragma('foreign_key_check') as unknown[];
    if (damage[0]?.integrity_check !== 'ok' || broken.length > 0)
      throw new BackupError(
        `"${file}" is damaged: ${damage[0]?.integrity_check ?? 'references lead nowhere'}.`,
      );
    const count = (table: string) =>
      (copy.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n;
    return { jobs: count('jobs'), revisions: count('revisions'), entries: count('record_entries') };
  } catch (error) {
    if (error instanceof BackupError) throw error;
    throw new BackupError(`"${file}" is no database of this server: ${(error as Error).message}.`);
  } finally {
    copy.close();
  }
}

function open(file: string): Database.Database {
  try {
    return new Database(file, { readonly: true });
  } catch (error) {
    throw new BackupError(`"${file}" cannot be opened: ${(error as Error).message}.`);
  }
}

/**
 * Copies a database as it stands at one moment, also while it is written to.
 * @throws BackupError when there is nothing to copy, something stands at `to`, or the copy does not open.
 */
export async function backUp(file: string, to: string): Promise<Held> {
  if (existsSync(to)) throw new BackupError(`"${to}" is there already: name another file.`);
  const source = existsSync(file) ? open(file) : null;
  if (!source) throw new BackupError(`There is no database at "${file}".`);
  mkdirSync(dirname(to), { recursive: true });
  const unfinished = `${to}${UNFINISHED}`;
  rmSync(unfinished, { force: true });
  try {
    await source.backup(unfinished);
  } finally {
    source.close();
  }
  alone(unfinished);
  const held = verify(unfinished);
  settle(unfinished);
  renameSync(unfinished, to);
  return held;
}

/** Makes one file of a database that nobody else has open: what waits beside it goes in. `false` where somebody has. */
function alone(file: string): boolean {
  const database = new Database(file, { timeout: 200 });
  try {
    return (database.pragma('journal_mode = DELETE', { simple: true }) as string) === 'delete';
  } catch {
    return false;
  } finally {
    database.close();
  }
}

/**
 * Puts a copy in the place of the database; what stood there is kept beside it.
 * @returns what it holds, and the file that what stood there went to (`null` where nothing did).
 * @throws BackupError when the copy is damaged, or the server has the database open.
 */
export function restore(from: string, file: string, now = new Date()): { held: Held; kept: string | null } {
  const held = verify(from);
  mkdirSync(dirname(file), { recursive: true });
  let kept: string | null = null;
  if (existsSync(file)) {
    if (!alone(file)) throw new BackupError('The server is running on this database: stop it first.');
    kept = `${file}.before-${now.toISOString().replace(/[:.]/g, '-')}`;
    replace(file, kept);
  }
  replace(from, file);
  return { held, kept };
}

/** A copy under another name, there whole or not at all. */
function replace(from: string, to: string): void {
  const unfinished = `${to}${UNFINISHED}`;
  copyFileSync(from, unfinished);
  settle(unfinished);
  renameSync(unfinished, to);
}
