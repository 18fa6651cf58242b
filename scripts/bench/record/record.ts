/** How long a person waits for what belongs to the record of a job, with much in it; and what is lost when it is killed. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../../e2e/chromium';
import type { Running, Session } from '../../../packages/server/src/testing/process';
import {
  post,
  recordFaults,
  recordUntilGone,
  startServer,
} from '../../../packages/server/src/testing/process';
import { tellWorker } from '../in-worker';
import { median, report } from '../report';

const JOBS = 500;
const ENTRIES = 5000;
const TIMES = 9;
const KILLS = 50;
/** Longest a session goes on before it is killed, ms. */
const LONGEST_MS = 300;

const idOf = async (answer: Promise<Response>) => ((await (await answer).json()) as { id: string }).id;
const job = (url: string, n: number) =>
  idOf(post(`${url}/api/jobs`, { name: `Unit ${n}`, site: `Yard ${n % 40}`, template: 'furnace-ac' }));

/** Milliseconds until everything at some addresses is there whole, median. */
async function fetched(urls: readonly string[]): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    const began = performance.now();
    await Promise.all(urls.map(async (url) => (await fetch(url)).arrayBuffer()));
    times.push(performance.now() - began);
  }
  return median(times);
}

async function tellMuch({ url }: Running): Promise<void> {
  const id = await job(url, 0);
  for (let n = 1; n < JOBS; n++) await job(url, n);
  const bypass = {
    type: 'bypassed',
    device: 'float',
    why: 'Part on order',
    until: '2026-12-01T08:00:00Z',
    watch: 'Sol',
  };
  for (let n = 0; n < ENTRIES; n++) {
    const body = n % 500 === 0 ? { ...bypass, bypass: `b${n}` } : { type: 'note', text: `Line ${n}` };
    await post(`${url}/api/jobs/${id}/record`, { id: `e${n}`, at: '2026-11-27T09:00:00Z', by: 'Sol', body });
  }
  const much = `${JOBS} jobs, ${ENTRIES} entries on one, median of ${TIMES}, server as it is started`;
  report(
    'jobs_list_ms',
    await fetched([`${url}/api/jobs`, `${url}/api/bypasses`, `${url}/api/fire-panels`]),
    'ms',
    `${much}; aim ≤ 150`,
  );
  const opened = ['', '/record', '/readings', '/survey', '/plan'].map(
    (path) => `${url}/api/jobs/${id}${path}`,
  );
  report('job_open_ms', await fetched(opened), 'ms', `${much}; aim ≤ 300`);
  const plain = await job(url, JOBS);
  await fetched([`${url}/api/jobs/${plain}/report.pdf`]);
  report(
    'report_ms',
    await fetched([`${url}/api/jobs/${plain}/report.pdf`]),
    'ms',
    `PDF of a furnace with its diagram, warm, median of ${TIMES}; aim ≤ 1500`,
  );
}

/** A scripted session killed at random moments: what was acknowledged and is not there, or a chain that does not hold. */
async function tellKills(data: string, running: Running): Promise<void> {
  let server = running;
  const session: Session = { job: await job(server.url, JOBS + 1), next: 0, acknowledged: [] };
  let faults = 0;
  for (let kill = 0; kill < KILLS; kill++) {
    const recording = recordUntilGone(server.url, session);
    await new Promise((resolve) => setTimeout(resolve, Math.random() * LONGEST_MS));
    await server.end('SIGKILL');
    await recording;
    server = await startServer(data);
    faults += (await recordFaults(server.url, session)).length;
  }
  await server.end('SIGTERM');
  report(
    'kill_faults',
    faults,
    'faults',
    `${KILLS} kills −9 at random moments, ${session.acknowledged.length} entries acknowledged; aim 0`,
  );
}

async function main(): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    await tellWorker(browser, 'scripts/bench/record/placement.ts');
    await tellWorker(browser, 'scripts/bench/record/fire.ts');
  } finally {
    await browser.close();
  }
  const folders = [0, 1].map(() => mkdtempSync(join(tmpdir(), 'bench-')));
  const much = await startServer(folders[0]!);
  await tellMuch(much);
  await much.end('SIGTERM');
  await tellKills(folders[1]!, await startServer(folders[1]!));
  for (const folder of folders) rmSync(folder, { recursive: true });
}

void main();
