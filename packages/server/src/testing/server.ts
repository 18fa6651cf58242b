/** A server on a temporary database, in this process. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { createApp } from '../app';
import type { AppOptions } from '../app';
import { openDatabase } from '../db/open';

export function makeTestServer(options: Partial<AppOptions> = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'zygostat-'));
  const { db, close } = openDatabase(join(folder, 'test.sqlite'), join(__dirname, '../../drizzle'));
  const app = createApp({ db, log: pino({ level: 'silent' }), requestsPerMinute: 10_000, ...options });
  const stop = () => {
    close();
    rmSync(folder, { recursive: true });
  };
  return { app, db, stop };
}

/** What the database said against a write; `taken` when it took it. What SQLite says is the cause of what Drizzle says. */
export function refusalOf(write: () => unknown): string {
  try {
    write();
  } catch (error) {
    return String((error as Error).cause ?? error);
  }
  return 'taken';
}
