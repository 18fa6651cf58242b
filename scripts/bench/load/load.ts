/**
 * What one machine carries: a hundred people at once on a database of years, through the server itself over loopback; and whether
 * everything that was acknowledged is there. People act and then think, as people do: what is measured is how long they wait.
 */
import { hostileBodies } from '../../../packages/server/src/testing/hostile';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { seeded } from '../../../packages/core/src/diagnose';
import type { Running } from '../../../packages/server/src/testing/process';
import { startServer } from '../../../packages/server/src/testing/process';
import { median, report } from '../report';
import { ENTRIES, JOBS, fill, jobId } from './fill';
import { worstWait } from './wait';

const PEOPLE = Number(process.argv[2] ?? 100);
const SECONDS = 40;
/** Between what a person does and what they do next, ms: longest. */
const THINK_MS = 4000;
const SEARCHES = ['', 'Quarry', 'Unit 77', 'Key at the Mill', 'nothing has this'];
const TIMES = 9;

type Act = 'save' | 'reading' | 'entry' | 'photo' | 'open' | 'list';
/** How often of a hundred times. */
const OFTEN: readonly [Act, number][] = [
  ['save', 35],
  ['reading', 20],
  ['entry', 15],
  ['photo', 5],
  ['open', 20],
  ['list', 5],
];

interface Tally {
  times: Record<Act, number[]>;
  acknowledged: { table: string; id: string }[];
  errors: string[];
}

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? NaN;

function actAt(random: number): Act {
  let left = random * 100;
  for (const [act, often] of OFTEN) if ((left -= often) < 0) return act;
  return 'open';
}

async function person(url: string, n: number, picture: Buffer, tally: Tally, until: number): Promise<void> {
  const next = seeded(20281129 + n * 7919);
  // Two people share a job, so that they meet.
  const id = jobId(JOBS - 1 - Math.floor(n / 2));
  const at = `${url}/api/jobs/${id}`;
  let opened = (await (await fetch(at)).json()) as { revision: number; circuit: object };
  const json = (body: object): RequestInit => ({
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  for (let i = 0; performance.now() < until; i++) {
    await new Promise((resolve) => setTimeout(resolve, next() * THINK_MS));
    const act = actAt(next());
    const own = `load-${n}-${i}-entry`;
    const asked: Record<Act, () => Promise<Response>> = {
      save: () =>
        fetch(`${at}/revisions`, json({ base: opened.revision, circuit: opened.circuit, note: 'load' })),
      reading: () =>
        fetch(
          `${at}/readings`,
          json({
            ...{ id: own, revision: 1, mode: 'ac-volts', meter: 'high-z', red: 'board.R', black: 'board.C' },
            ...{ expected: 26, actual: 25.9 },
          }),
        ),
      entry: () =>
        fetch(
          `${at}/record`,
          json({ id: own, at: new Date().toISOString(), by: 'Sol', body: { type: 'note', text: own } }),
        ),
      photo: () =>
        fetch(`${at}/photos?station=hall&id=${own}`, {
          method: 'POST',
          headers: { 'Content-Type': 'image/jpeg' },
          body: new Uint8Array(picture),
        }),
      open: () => fetch(at),
      list: () => fetch(`${url}/api/jobs?search=${encodeURIComponent(SEARCHES[i % SEARCHES.length]!)}`),
    };
    const began = performance.now();
    const answer = await asked[act]();
    const body = await answer.text();
    tally.times[act].push(performance.now() - began);
    if (answer.ok) {
      if (act === 'save') opened.revision = (JSON.parse(body) as { number: number }).number;
      if (act === 'save') tally.acknowledged.push({ table: 'revisions', id: `${id} ${opened.revision}` });
      if (act === 'reading') tally.acknowledged.push({ table: 'readings', id: own });
      if (act === 'entry') tally.acknowledged.push({ table: 'record_entries', id: own });
      if (act === 'photo') tally.acknowledged.push({ table: 'photos', id: own });
    } else if (act === 'save' && answer.status === 409)
      opened = (await (await fetch(at)).json()) as typeof opened;
    else if (!(act === 'photo' && body.includes('at most 200')))
      tally.errors.push(`${act}: ${answer.status} ${body}`);
  }
}

/** What was acknowledged and is not there. */
function lostOf(folder: string, { acknowledged }: Tally): string[] {
  const db = new Database(join(folder, 'zygostat.sqlite'), { readonly: true });
  const has = (table: string, id: string): boolean => {
    if (table !== 'revisions') return db.prepare(`select 1 from ${table} where id = ?`).get(id) !== undefined;
    const [job, number] = id.split(' ');
    return (
      db.prepare('select 1 from revisions where job_id = ? and number = ?').get(job, number) !== undefined
    );
  };
  const lost = acknowledged.filter(({ table, id }) => !has(table, id)).map(({ id }) => id);
  db.close();
  return lost;
}

/** Memory a process holds, MB. */
const memoryOf = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? NaN) / 1024;

async function searched({ url }: Running): Promise<number> {
  const worst: number[] = [];
  for (const search of SEARCHES) {
    const times: number[] = [];
    for (let i = 0; i < TIMES; i++) {
      const began = performance.now();
      await (await fetch(`${url}/api/jobs?search=${encodeURIComponent(search)}`)).arrayBuffer();
      times.push(performance.now() - began);
    }
    worst.push(median(times));
  }
  return Math.max(...worst);
}

/** The longest that anybody else waits while bodies made to keep the server busy come in, ms. */
async function hostileWait(url: string): Promise<{ worst: number; bodies: number; megabytes: number }> {
  const [{ id, siteId }] = (await (await fetch(`${url}/api/jobs?search=`)).json()) as [
    { id: string; siteId: string },
  ];
  const bodies = hostileBodies(id, siteId);
  const { worst } = await worstWait([`${url}/api/health`], async () => {
    for (const { method, path, type, body } of bodies)
      await (
        await fetch(url + path, { method, headers: { 'Content-Type': type }, body: body as BodyInit })
      ).arrayBuffer();
  });
  const bytes = bodies.reduce((sum, { body }) => sum + body.length, 0);
  return { worst, bodies: bodies.length, megabytes: Math.round(bytes / 1e6) };
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'zygostat-load-'));
  const bytes = fill(folder);
  const server = await startServer(folder);
  const size = `${JOBS} jobs, ${ENTRIES} entries`;
  try {
    report(
      'jobs_search_ms',
      await searched(server),
      'ms',
      `the slowest of ${SEARCHES.length} searches, median of ${TIMES}, one person, ${size}; aim 100`,
    );
    const resting = memoryOf(server.pid);
    const hostile = await hostileWait(server.url);
    report(
      'hostile_body_wait_ms',
      hostile.worst,
      'ms',
      `the longest anybody else waits while ${hostile.bodies} bodies made to keep the server busy come in (${hostile.megabytes} MB); aim 250`,
    );
    report('hostile_memory_mb', memoryOf(server.pid), 'MB', `after them; ${Math.round(resting)} before`);
    const tally: Tally = {
      times: { save: [], reading: [], entry: [], photo: [], open: [], list: [] },
      acknowledged: [],
      errors: [],
    };
    const noise = { type: 'gaussian', mean: 128, sigma: 40 } as const;
    const picture = await sharp({
      create: { width: 1600, height: 1200, channels: 3, background: '#888', noise },
    })
      .jpeg({ quality: 60 })
      .toBuffer();
    const before = memoryOf(server.pid);
    const until = performance.now() + SECONDS * 1000;
    await Promise.all(Array.from({ length: PEOPLE }, (_, n) => person(server.url, n, picture, tally, until)));
    const who = `${PEOPLE} people, each acting every ${THINK_MS / 2000} s on average for ${SECONDS} s, two a job, ${size}`;
    const writes = [...tally.times.save, ...tally.times.reading, ...tally.times.entry];
    report('save_p99_ms', quantile(writes, 0.99), 'ms', `edits, readings and entries, ${who}; aim 150`);
    report('save_p50_ms', quantile(writes, 0.5), 'ms', `the same, the middle`);
    report('open_p99_ms', quantile(tally.times.open, 0.99), 'ms', `a job with its circuit, ${who}; aim 200`);
    report('list_p99_ms', quantile(tally.times.list, 0.99), 'ms', `the list with a search under that load`);
    report(
      'photo_p99_ms',
      quantile(tally.times.photo, 0.99),
      'ms',
      `a photograph of ${Math.round(picture.length / 1024)} kB under that load`,
    );
    const all = Object.values(tally.times).reduce((sum, times) => sum + times.length, 0);
    report('load_requests', all, 'requests', `answered in ${SECONDS} s`);
    report('load_errors', tally.errors.length, 'errors', `answers that were none; aim 0`);
    report(
      'load_memory_mb',
      memoryOf(server.pid),
      'MB',
      `of the server after it, ${Math.round(before)} before`,
    );
    await server.end('SIGKILL');
    report(
      'load_lost',
      lostOf(folder, tally).length,
      'writes',
      `of ${tally.acknowledged.length} acknowledged, after the server was killed; aim 0`,
    );
    report('revision_bytes', bytes, 'bytes', `of a stored circuit, mean of a furnace and a heat pump`);
    report('database_mb', statSync(join(folder, 'zygostat.sqlite')).size / 1024 / 1024, 'MB', size);
    for (const error of new Set(tally.errors.slice(0, 5))) console.error(error);
    const making = ['--import', 'tsx', join(__dirname, 'making.ts'), folder, jobId(0)];
    execFileSync(process.execPath, making, { stdio: 'inherit' });
  } finally {
    await server.end('SIGKILL').catch(() => undefined);
    rmSync(folder, { recursive: true });
  }
}

void main();
