/** Copies of the database, made and put back while the server and the copying are killed. */
import { spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { BackupError, backUp, restore, verify } from './db/backup';
import { post, startServer } from './testing/process';

const ROOT = join(__dirname, '../../..');
let data: string;
beforeEach(() => (data = mkdtempSync(join(tmpdir(), 'zygostat-backup-'))));
afterEach(() => rmSync(data, { recursive: true }));

const database = () => join(data, 'zygostat.sqlite');
const copy = () => join(data, 'copy.sqlite');

/** The command, killed after so many milliseconds unless it is through before. */
const command = (args: readonly string[], killAfterMs?: number) =>
  new Promise<{ code: number | null; says: string }>((resolve) => {
    const child = spawn(process.execPath, ['packages/server/dist/keep.mjs', ...args], {
      cwd: ROOT,
      env: { ...process.env, ZYGOSTAT_DATA: data },
    });
    let says = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (says += String(text)));
    if (killAfterMs !== undefined) setTimeout(() => child.kill('SIGKILL'), killAfterMs);
    child.on('close', (code) => resolve({ code, says }));
  });

test('a copy made while the server writes opens whole, and comes back as it was', async () => {
  let server = await startServer(data);
  const answer = await post(`${server.url}/api/jobs`, {
    name: 'Kept',
    site: 'Cellar',
    template: 'furnace-ac',
  });
  const { id } = (await answer.json()) as { id: string };
  const circuit = furnaceAirConditioner('Kept');
  let base = 1;
  const writing = (async () => {
    for (;;) {
      const saved = await post(`${server.url}/api/jobs/${id}/revisions`, { base, circuit });
      base = ((await saved.json()) as { number: number }).number;
    }
  })().catch(() => undefined);
  const written = async (number: number) => {
    while (base < number) await new Promise((resolve) => setTimeout(resolve, 5));
  };
  await written(10);
  const least = base;
  const held = backUp(database(), copy());
  expect(held.revisions).toBeGreaterThanOrEqual(least);
  expect(verify(copy())).toEqual(held);
  expect(await command(['restore', copy()])).toMatchObject({
    code: 1,
    says: expect.stringContaining('The server is running'),
  });
  // One may have been on its way while the copy was made: the next was not.
  await written(base + 2);
  await server.end('SIGKILL');
  await writing;

  const { kept } = restore(copy(), database());
  // What stood there holds what was written after the copy.
  expect(verify(kept!).revisions).toBeGreaterThan(held.revisions);
  server = await startServer(data);
  const job = (await (await fetch(`${server.url}/api/jobs/${id}`)).json()) as { revision: number };
  expect(job.revision).toBeGreaterThanOrEqual(least);
  await server.end('SIGKILL');
}, 60_000);

test('a copy that is broken off leaves none, and putting back that is broken off leaves a whole database', async () => {
  const server = await startServer(data);
  await server.end('SIGTERM');
  const whole = backUp(database(), copy());
  const began = performance.now();
  await command(['backup', join(data, 'through.sqlite')]);
  const took = performance.now() - began;
  // Most of it is the program's own start: what matters lies towards its end.
  const codes: (number | null)[] = [];
  for (const share of [0.5, 0.7, 0.8, 0.85, 0.9, 0.95]) {
    const to = join(data, `at-${share}.sqlite`);
    codes.push((await command(['backup', to], share * took)).code);
    if (existsSync(to)) expect(verify(to)).toEqual(whole);
    codes.push((await command(['restore', copy()], share * took)).code);
    expect(verify(database())).toEqual(whole);
  }
  expect(codes).toContain(null);
}, 60_000);

test('a damaged copy, another file and one that is not there are refused, and nothing is changed', async () => {
  const server = await startServer(data);
  await server.end('SIGTERM');
  backUp(database(), copy());
  const before = readFileSync(database());
  const bytes = readFileSync(copy());
  writeFileSync(copy(), bytes.fill(7, 5000, 9000));
  expect(() => restore(copy(), database())).toThrow(BackupError);
  writeFileSync(copy(), 'a letter');
  expect(() => restore(copy(), database())).toThrow(/no database of this server/);
  expect(() => restore(join(data, 'none.sqlite'), database())).toThrow(/There is no file/);
  expect(() => backUp(database(), copy())).toThrow(/is there already/);
  expect(readFileSync(database()).equals(before)).toBe(true);
  expect(await command(['restore'])).toEqual({ code: 1, says: expect.stringContaining('Name the file') });
  const said = await command(['backup']);
  expect(said).toEqual({ code: 0, says: expect.stringMatching(/opened and found whole/) });
  expect(readdirSync(join(data, 'backups'))).toHaveLength(1);
}, 60_000);

describe('what lies beside', () => {
  /** A database with so many jobs, closed. */
  const made = async (jobs: number) => {
    const server = await startServer(data);
    for (let i = 0; i < jobs; i++)
      await post(`${server.url}/api/jobs`, { name: `Job ${i}`, site: 'Cellar', template: 'boiler' });
    return server;
  };

  test('a database whose file was moved away by hand leaves nothing that is replayed over the copy', async () => {
    const server = await made(3);
    const held = backUp(database(), copy());
    await post(`${server.url}/api/jobs`, { name: 'Later', site: 'Cellar', template: 'boiler' });
    await server.end('SIGKILL');
    expect(existsSync(`${database()}-wal`)).toBe(true);
    renameSync(database(), join(data, 'moved.sqlite'));
    expect(await command(['restore', copy()])).toMatchObject({ code: 0 });
    expect(existsSync(`${database()}-wal`)).toBe(false);
    expect(verify(database())).toEqual(held);
    // What lay beside is kept.
    expect(readdirSync(data).filter((name) => /before-.*-wal$/.test(name))).toHaveLength(1);
    const again = await startServer(data);
    await again.end('SIGTERM');
  }, 60_000);

  test('a damaged database is told at the start, with the last whole copy, which comes back though no server runs', async () => {
    const server = await made(2);
    const held = backUp(database(), join(data, 'backups', 'good.sqlite'));
    await server.end('SIGTERM');
    const bytes = readFileSync(database());
    writeFileSync(database(), bytes.fill(7, 4096 * 2, 4096 * 6));
    const started = spawnSync(process.execPath, ['packages/server/dist/main.mjs'], {
      cwd: ROOT,
      env: { ...process.env, ZYGOSTAT_DATA: data, ZYGOSTAT_PORT: '0' },
      encoding: 'utf8',
    });
    expect(started.status).toBe(1);
    expect(started.stderr).toMatch(/zygostat\.sqlite is damaged .*The last whole copy is .*good\.sqlite/);
    expect(started.stderr).not.toMatch(/\n\s+at /);
    const said = await command(['restore', join(data, 'backups', 'good.sqlite')]);
    expect(said).toMatchObject({ code: 0, says: expect.stringContaining('Restored') });
    expect(verify(database())).toEqual(held);
  }, 60_000);

  test('a copy goes through while others write without a pause', async () => {
    const server = await made(1);
    let going = true;
    const writers = Array.from({ length: 4 }, async (_, i) => {
      for (let n = 0; going; n++)
        await post(`${server.url}/api/jobs`, { name: `W${i} ${n}`, site: 'Cellar', template: 'furnace-ac' });
    });
    for (const n of [1, 2, 3]) expect((await command(['backup', join(data, `${n}.sqlite`)])).code).toBe(0);
    going = false;
    await Promise.all(writers);
    const copies = [1, 2, 3].map((n) => verify(join(data, `${n}.sqlite`)).jobs);
    expect([...copies].sort((one, other) => one - other)).toEqual(copies);
    await server.end('SIGTERM');
  }, 60_000);
});
