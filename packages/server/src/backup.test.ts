/** Copies of the database, made and put back while the server and the copying are killed. */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
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
  const held = await backUp(database(), copy());
  expect(held.revisions).toBeGreaterThanOrEqual(least);
  expect(verify(copy())).toEqual(held);
  expect(() => restore(copy(), database())).toThrow('The server is running');
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
  const whole = await backUp(database(), copy());
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
  await backUp(database(), copy());
  const before = readFileSync(database());
  const bytes = readFileSync(copy());
  writeFileSync(copy(), bytes.fill(7, 5000, 9000));
  expect(() => restore(copy(), database())).toThrow(BackupError);
  writeFileSync(copy(), 'a letter');
  expect(() => restore(copy(), database())).toThrow(/no database of this server/);
  expect(() => restore(join(data, 'none.sqlite'), database())).toThrow(/There is no file/);
  await expect(backUp(database(), copy())).rejects.toThrow(/is there already/);
  expect(readFileSync(database()).equals(before)).toBe(true);
  expect(await command(['restore'])).toEqual({ code: 1, says: expect.stringContaining('Name the file') });
  const said = await command(['backup']);
  expect(said).toEqual({ code: 0, says: expect.stringMatching(/opened and found whole/) });
  expect(readdirSync(join(data, 'backups'))).toHaveLength(1);
}, 60_000);
