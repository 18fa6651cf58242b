/** Disks and settings that do not fit. SQLite's own limit of pages stands for a full disk (`PRAGMA max_page_count`, sqlite.org). */
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import request from 'supertest';
import { certificateOf } from './crew/certificate';
import { SettingError, readReach, readRequests } from './crew/reach';
import { troubleIn } from './db/trouble';
import { useCrew } from './testing/crew';
import { makeTestServer } from './testing/server';

const JOB = { name: 'Hall', site: 'Mill', template: 'boiler' };
const { ask, joined, server } = useCrew();

/** No page more than there is. */
const fill = (db: ReturnType<typeof makeTestServer>['db']) => {
  const { page_count: pages } = db.get<{ page_count: number }>(sql`pragma page_count`);
  db.run(sql.raw(`pragma max_page_count = ${pages}`));
};
const free = (db: ReturnType<typeof makeTestServer>['db']) =>
  db.run(sql.raw('pragma max_page_count = 1000000'));

test('on a full disk what is there is read, what is sent is refused and kept, and health says so', async () => {
  const cookie = await joined('Ansa');
  const { body: job } = await ask('post', '/jobs', cookie).send(JOB).expect(201);
  const { id } = job as { id: string };
  fill(server().db);
  const photo = Buffer.alloc(200_000, 1).toString('hex').slice(0, 1900);
  let refused = 0;
  for (let i = 0; i < 60 && refused === 0; i++) {
    const entry = {
      id: `full-${i}`,
      at: '2026-11-27T09:00:00Z',
      by: 'Ansa',
      body: { type: 'note', text: photo },
    };
    const { status, body } = await ask('post', `/jobs/${id}/record`, cookie).send(entry);
    if (status === 201) continue;
    expect([status, (body as { title: string }).title]).toEqual([507, 'Disk full']);
    refused++;
  }
  expect(refused).toBe(1);
  await ask('get', `/jobs/${id}`, cookie).expect(200);
  await ask('get', `/jobs/${id}/record`, cookie).expect(200);
  free(server().db);
  await ask('get', '/health', cookie).expect(200);
});

test('whoever was seen long ago is let in though it cannot be written down', async () => {
  const cookie = await joined('Ansa');
  server().db.run(sql.raw(`update sessions set seen_at = ${Date.now() - 10 * 60_000}`));
  server().db.run(sql.raw('pragma query_only = on'));
  await ask('get', '/jobs', cookie).expect(200);
  expect((await ask('get', '/health', cookie).expect(503)).body).toEqual({ status: 'read-only' });
  server().db.run(sql.raw('pragma query_only = off'));
  expect((await ask('get', '/health', cookie).expect(200)).body).toEqual({ status: 'ok' });
});

test('the file of the database is for whoever runs the server alone', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zygostat-'));
  const { db, stop } = makeTestServer();
  const [{ file }] = db.all<{ file: string }>(sql`pragma database_list`) as [{ file: string }];
  expect(statSync(file).mode & 0o077).toBe(0);
  stop();
  rmSync(folder, { recursive: true });
});

test.each([
  ['abc', false],
  ['', false],
  ['0', false],
  ['12.5', false],
  ['600', true],
  [undefined, true],
])('ZYGOSTAT_REQUESTS_PER_MINUTE=%s', (text, isGood) => {
  if (isGood) expect(readRequests(text)).toBe(600);
  else expect(() => readRequests(text)).toThrow(SettingError);
});

test('an option that is none is refused by name', () => {
  expect(() => readReach(['--crw'], {}, [])).toThrow(/no option --crw/);
});

describe('a certificate', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zygostat-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const made = readReach(['--crew'], {}, []);
  const given = (cert: string, key: string) => {
    const [ZYGOSTAT_CERT, ZYGOSTAT_KEY] = [join(folder, 'given.pem'), join(folder, 'given.key')];
    writeFileSync(ZYGOSTAT_CERT, cert);
    writeFileSync(ZYGOSTAT_KEY, key);
    return certificateOf(readReach(['--crew'], { ZYGOSTAT_CERT, ZYGOSTAT_KEY }, []), folder);
  };

  test('that is cut off, or has the key of another, is told by its setting', async () => {
    const one = (await certificateOf(made, join(folder, 'one')))!;
    const other = (await certificateOf(made, join(folder, 'other')))!;
    await expect(given(one.cert.slice(0, 300), one.key)).rejects.toThrow(/ZYGOSTAT_CERT .* cut off/);
    await expect(given('', one.key)).rejects.toThrow(/ZYGOSTAT_CERT/);
    await expect(given(one.cert, one.key.slice(0, 200))).rejects.toThrow(/ZYGOSTAT_KEY .* cut off/);
    await expect(given(one.cert, other.key)).rejects.toThrow(/key of another certificate/);
    expect((await given(one.cert, one.key))!.cert).toBe(one.cert);
  });

  test('that was made here and is cut off is made anew', async () => {
    const kept = join(folder, 'kept');
    await certificateOf(made, kept);
    writeFileSync(join(kept, 'crew-cert.pem'), '');
    const again = (await certificateOf(made, kept))!;
    expect(readFileSync(join(kept, 'crew-cert.pem'), 'utf8')).toBe(again.cert);
    expect(statSync(join(kept, 'crew-key.pem')).mode & 0o077).toBe(0);
  });
});

test('a folder that cannot be written to ends the start in one line', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zygostat-'));
  // Also for root, who may write everywhere: a file is no folder.
  writeFileSync(join(folder, 'file'), '');
  chmodSync(folder, 0o500);
  const { status, stderr } = spawnSync(process.execPath, ['packages/server/dist/main.mjs'], {
    cwd: join(__dirname, '../../..'),
    env: { ...process.env, ZYGOSTAT_DATA: join(folder, 'file', 'data'), ZYGOSTAT_PORT: '0' },
    encoding: 'utf8',
  });
  chmodSync(folder, 0o700);
  rmSync(folder, { recursive: true });
  expect([status, stderr.trim().split('\n').length]).toEqual([1, 1]);
  expect(stderr).toMatch(/cannot be written to\. Set ZYGOSTAT_DATA/);
});

test.each([
  [{ code: 'SQLITE_FULL', message: '' }, 'full'],
  [{ message: 'Failed', cause: { code: 'SQLITE_NOTADB', message: '' } }, 'damaged'],
  [new Error('something else'), null],
])('%p is told as %s', (error, trouble) => expect(troubleIn(error)).toBe(trouble));

test('what breaks a line is no name, and what XML has no place for is in no drawing', async () => {
  const { app, stop } = makeTestServer();
  for (const name of ['Hall\nBEGIN:VEVENT', 'Hall\u0000', 'Hall\ud800', 'Hall\u2028'])
    for (const field of ['name', 'site'])
      await request(app)
        .post('/api/jobs')
        .send({ ...JOB, [field]: name })
        .expect(422);
  const made = await request(app).post('/api/jobs').send(JOB).expect(201);
  const entry = (id: string) => ({
    id,
    at: '2026-11-27T09:00:00Z',
    by: 'Sol',
    body: { type: 'note', text: 'x' },
  });
  for (const id of ['a\ud800b', 'with a space', 'a/b'])
    await request(app)
      .post(`/api/jobs/${(made.body as { id: string }).id}/record`)
      .send(entry(id))
      .expect(422);
  stop();
});
