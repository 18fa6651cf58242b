/**
 * How long anybody else waits while the server makes what takes long: a report, a diagram, a site of 200 MB as a file, and that file
 * taken in. Run by itself, with a folder of data and a job of it: whoever asks has nothing else in memory.
 */
import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { constants, cpus, setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { startServer } from '../../../packages/server/src/testing/process';
import { report } from '../report';
import { worstWait } from './wait';

const BUSY_MS = 8000;
/** A shared machine that stands still makes a wait longer, never shorter: what the server does itself is in each of them. */
const MAKINGS = 3;
/** Of a job, each of about a megabyte. */
const PHOTOGRAPHS = 190;

/** Gives a job photographs that make some 200 MB. */
async function fillPhotographs(folder: string, id: string): Promise<void> {
  const noise = { type: 'gaussian', mean: 128, sigma: 50 } as const;
  const jpeg = await sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#888', noise } })
    .jpeg({ quality: 82 })
    .toBuffer();
  const db = new Database(join(folder, 'zygostat.sqlite'));
  const put = db.prepare(
    `insert into photos (id, job_id, station, jpeg, width, height, pins, created_at) values (?, ?, 'hall', ?, 1600, 1200, '[]', 0)`,
  );
  for (let n = 0; n < PHOTOGRAPHS; n++) put.run(`making-${n}`, id, jpeg);
  db.close();
}

/** In a process of its own: hundreds of megabytes through this one would be in the way of what is measured. */
const MOVER = `
  const { createReadStream, createWriteStream, statSync } = require('node:fs');
  const { request } = require('node:http');
  const { pipeline } = require('node:stream');
  const [, way, url, file] = process.argv;
  const headers = way === 'up' && { 'Content-Type': 'application/zip', 'Content-Length': statSync(file).size };
  const asked = request(url, { method: way === 'up' ? 'POST' : 'GET', headers: headers || {} }, (answer) => {
    const end = (error) => process.exit(error || answer.statusCode >= 300 ? 1 : 0);
    pipeline(answer, createWriteStream(way === 'up' ? '/dev/null' : file), end);
  });
  if (way === 'up') pipeline(createReadStream(file), asked, () => undefined);
  else asked.end();
`;

function moved(way: 'up' | 'down', url: string, file: string): Promise<unknown> {
  // Whoever waits for a file is not in the way of whoever asks meanwhile, with none of its threads.
  return promisify(execFile)('nice', ['-n', '19', process.execPath, '-e', MOVER, way, url, file]);
}

/** Keeps the cores as busy at low priority, with nothing that the server has to do: what is waited then is the machine's. */
async function busy(): Promise<void> {
  const loop = `const end = Date.now() + ${BUSY_MS}; while (Date.now() < end);`;
  const loops = cpus().map(() => {
    const looping = promisify(execFile)(process.execPath, ['-e', loop]);
    setPriority(looping.child.pid!, constants.priority.PRIORITY_LOW);
    return looping;
  });
  await Promise.all(loops);
}

const inWords = (makings: readonly { worst: number }[]) =>
  makings.map(({ worst }) => Math.round(worst)).join(', ');

/** @param id - of a job of the database, which gets the photographs. */
async function main(folder: string, id: string): Promise<void> {
  await fillPhotographs(folder, id);
  const server = await startServer(folder);
  const { url } = server;
  const job = `${url}/api/jobs/${id}`;
  const beside = mkdtempSync(join(tmpdir(), 'zygostat-making-'));
  const bundle = join(beside, 'job.zip');
  const asked = [`${url}/api/health`, job];
  const floor = await worstWait(asked, busy);
  const makings: { worst: number; times: number }[] = [];
  for (let n = 0; n < MAKINGS; n++)
    makings.push(
      await worstWait(asked, async () => {
        await Promise.all([
          moved('down', `${job}/bundle.zip`, bundle),
          moved('down', `${job}/report.pdf?zone=UTC`, join(beside, 'report.pdf')),
          moved('down', `${job}/papers/diagram.pdf`, join(beside, 'diagram.pdf')),
        ]);
      }),
    );
  await server.end('SIGKILL');
  const stillest = makings.reduce((one, other) => (other.worst < one.worst ? other : one));
  const size = `${Math.round(statSync(bundle).size / 1e6)} MB`;
  report(
    'making_wait_ms',
    stillest.worst,
    'ms',
    `the longest of ${stillest.times} answers while a report, a diagram and a bundle of ${size} are made, in the stillest of ${inWords(makings)} ms; aim 50; ${Math.round(floor.worst)} of ${floor.times} with the cores as busy and nothing made`,
  );
  const other = await startServer(mkdtempSync(join(beside, 'other-')));
  const taken = await worstWait([`${other.url}/api/health`, `${other.url}/api/jobs`], async () => {
    await moved('up', `${other.url}/api/bundles`, bundle);
  });
  await other.end('SIGKILL');
  rmSync(beside, { recursive: true });
  report(
    'taking_in_wait_ms',
    taken.worst,
    'ms',
    `of ${taken.times} answers while that bundle is taken in; aim 50`,
  );
}

void main(process.argv[2]!, process.argv[3]!).then(() => process.exit(0));
