/** What the disk or the database file has against it, by what SQLite says (result codes, sqlite.org/rescode.html). */

export type Trouble = 'full' | 'read-only' | 'busy' | 'damaged' | 'failing';

const KINDS: readonly (readonly [RegExp, Trouble])[] = [
  [/SQLITE_FULL|database or disk is full|ENOSPC/, 'full'],
  [
    /SQLITE_READONLY|SQLITE_CANTOPEN|readonly database|unable to open database|EROFS|EACCES|EPERM|ENOTDIR/,
    'read-only',
  ],
  [/SQLITE_BUSY|SQLITE_LOCKED|database is locked/, 'busy'],
  [/SQLITE_CORRUPT|SQLITE_NOTADB|malformed|not a database/, 'damaged'],
  [/SQLITE_IOERR|disk I\/O error/, 'failing'],
];

/** What an error says of the disk; `null` where it is about something else. */
export function troubleIn(error: unknown): Trouble | null {
  const {
    code = '',
    message = '',
    cause,
  } = (error ?? {}) as { code?: unknown; message?: string; cause?: unknown };
  const found = KINDS.find(([pattern]) => pattern.test(`${String(code)} ${message}`));
  return found ? found[1] : cause === undefined ? null : troubleIn(cause);
}

let last: Trouble | null = null;

/** How the last write went, for whoever asks whether the server is well. */
export const lastTrouble = (): Trouble | null => last;

/** Notes that a write failed, or that one went well. */
export function note(trouble: Trouble | null): void {
  last = trouble;
}
