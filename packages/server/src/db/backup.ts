/** Copies of the database: made while it serves, opened before they count, put in its place all at once. */
import {
  chmodSync,
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { troubleIn } from './trouble';

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
export function backUp(file: string, to: string): Held {
  if (existsSync(to)) throw new BackupError(`"${to}" is there already: name another file.`);
  const source = existsSync(file) ? open(file) : null;
  if (!source) throw new BackupError(`There is no database at "${file}".`);
  mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
  const unfinished = `${to}${UNFINISHED}`;
  rmSync(unfinished, { force: true });
  try {
    // Of one moment, whatever is written meanwhile: it reads beside whoever writes, and never begins anew.
    source.exec(`VACUUM INTO '${unfinished.replaceAll("'", "''")}'`);
  } catch (error) {
    throw new BackupError(`"${file}" cannot be copied: ${(error as Error).message}.`);
  } finally {
    source.close();
  }
  const held = verify(unfinished);
  settle(unfinished);
  chmodSync(unfinished, 0o600);
  renameSync(unfinished, to);
  return held;
}

/** Files that lie beside a database while it is open, or after it was not closed. */
const BESIDE = ['-wal', '-shm', '-journal'] as const;

/** Makes one file of a database, as far as it is whole: what waits beside it goes in. @returns whether the server has it open. */
function isInUse(file: string): boolean {
  let database: Database.Database | null = null;
  try {
    database = new Database(file, { timeout: 200 });
    database.exec('PRAGMA journal_mode = DELETE');
    return false;
  } catch (error) {
    return troubleIn(error) === 'busy';
  } finally {
    database?.close();
  }
}

/** What lies beside a database of which there is no more, or a broken one, is kept with it: over another it would be replayed. */
function clearBeside(file: string, kept: string): void {
  for (const ending of BESIDE)
    if (existsSync(`${file}${ending}`)) {
      replace(`${file}${ending}`, `${kept}${ending}`);
      rmSync(`${file}${ending}`);
    }
}

/**
 * Puts a copy in the place of the database; what stood there, and lay beside it, is kept.
 * @returns what it holds, and the file that what stood there went to (`null` where nothing did).
 * @throws BackupError when the copy is damaged, or the server has the database open.
 */
export function restore(from: string, file: string, now = new Date()): { held: Held; kept: string | null } {
  const held = verify(from);
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const aside = `${file}.before-${now.toISOString().replace(/[:.]/g, '-')}`;
  const isThere = existsSync(file);
  if (isThere) {
    if (isInUse(file)) throw new BackupError('The server is running on this database: stop it first.');
    replace(file, aside);
  }
  clearBeside(file, aside);
  replace(from, file);
  return { held, kept: isThere ? aside : null };
}

/** The newest copy of a folder that is whole; `null` where there is none. */
export function lastGood(folder: string): string | null {
  if (!existsSync(folder)) return null;
  const copies = readdirSync(folder)
    .filter((name) => name.endsWith('.sqlite'))
    .map((name) => join(folder, name))
    .sort((one, other) => statSync(other).mtimeMs - statSync(one).mtimeMs);
  return (
    copies.find((copy) => {
      try {
        return verify(copy) !== null;
      } catch {
        return false;
      }
    }) ?? null
  );
}

/** A copy under another name, there whole or not at all. */
function replace(from: string, to: string): void {
  const unfinished = `${to}${UNFINISHED}`;
  copyFileSync(from, unfinished);
  chmodSync(unfinished, 0o600);
  settle(unfinished);
  renameSync(unfinished, to);
}
