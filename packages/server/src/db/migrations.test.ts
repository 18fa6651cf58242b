/** What an earlier version saved is there after an update. */
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { EMPTY_SURVEY } from '@zygostat/core/survey';
import { DOCUMENTS } from '@zygostat/core/documents';
import { planReadIn } from '@zygostat/core/wire';
import { saveDocument, storedDocument } from './documents';
import { openDatabase } from './open';
import { hashOf } from './secrets';
import { personOf } from './sessions';

const MIGRATIONS = join(__dirname, '../../drizzle');
/** How many migrations there were when surveys and plans were kept in tables of their own; and before devices were known. */
const EARLIER = { tables: 4, strangers: 15 };

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'zygostat-'))));
afterEach(() => rmSync(folder, { recursive: true }));

/** The migrations an earlier version came with. */
function earlierMigrations(many: number): string {
  const earlier = join(folder, 'earlier');
  cpSync(MIGRATIONS, earlier, { recursive: true });
  const file = join(earlier, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(file, 'utf8')) as { entries: unknown[] };
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, many) }));
  return earlier;
}

test('surveys and plans of an earlier version become documents with the saves they had', () => {
  const file = join(folder, 'zygostat.sqlite');
  openDatabase(file, earlierMigrations(EARLIER.tables)).close();
  const survey = { ...EMPTY_SURVEY, answers: { burner: 'yes' } };
  const circuit = furnaceAirConditioner('Kept');
  const plan = {
    version: 1,
    title: 'Swap',
    before: circuit,
    after: circuit,
    swap: null,
    reasons: {},
    done: {},
  };
  const sqlite = new Database(file);
  sqlite.prepare("insert into sites values ('s', 'Mill', 1)").run();
  for (const id of ['one', 'two'])
    sqlite
      .prepare(
        "insert into jobs (id, site_id, name, system, created_at, updated_at) values (?, 's', 'Job', 'x', 1, 1)",
      )
      .run(id);
  sqlite.prepare("insert into surveys values ('one', 3, ?, 5)").run(JSON.stringify(survey));
  sqlite.prepare("insert into plans values ('one', 7, ?, 6)").run(JSON.stringify(plan));
  sqlite.prepare("insert into plans values ('two', 2, null, 6)").run();
  sqlite.close();

  const { db, close } = openDatabase(file, MIGRATIONS);
  expect(storedDocument(db, DOCUMENTS.survey, 'one')).toEqual({ number: 3, value: survey });
  expect(storedDocument(db, DOCUMENTS.plan, 'one')).toEqual({ number: 7, value: planReadIn(plan) });
  expect(storedDocument(db, DOCUMENTS.plan, 'two')).toEqual({ number: 2, value: null });
  expect(storedDocument(db, DOCUMENTS.survey, 'two')).toEqual({ number: 0, value: EMPTY_SURVEY });
  // The count goes on from there.
  expect(saveDocument(db, DOCUMENTS.plan, 'two', { base: 1, value: null })).toEqual({
    done: false,
    latest: 2,
  });
  expect(saveDocument(db, DOCUMENTS.plan, 'two', { base: 2, value: null })).toEqual({
    done: true,
    number: 3,
    latest: 3,
  });
  expect(saveDocument(db, DOCUMENTS.survey, 'two', { base: 0, value: EMPTY_SURVEY })).toEqual({
    done: true,
    number: 1,
    latest: 1,
  });
  close();
});

test('whoever was signed in before devices were known is on a known one', () => {
  const file = join(folder, 'zygostat.sqlite');
  openDatabase(file, earlierMigrations(EARLIER.strangers)).close();
  const sqlite = new Database(file);
  sqlite.prepare("insert into people values ('p', 'Ansa', 'lead', 'x', 1, null)").run();
  for (const id of ['one', 'two'])
    sqlite
      .prepare(
        "insert into sessions (id, token_hash, person_id, device, created_at, seen_at) values (?, ?, 'p', 'Phone', ?, ?)",
      )
      .run(id, hashOf(id), Date.now(), Date.now());
  sqlite.close();
  const { db, close } = openDatabase(file, MIGRATIONS);
  expect(['one', 'two'].map((token) => personOf(db, token)?.isKnown)).toEqual([true, true]);
  close();
});
