/** Kill −9 in the middle of writing: everything that was acknowledged is there afterwards. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import type { Running, Session } from './testing/process';
import { post, recordFaults, recordUntilGone, startServer } from './testing/process';

const data = mkdtempSync(join(tmpdir(), 'zygostat-crash-'));
let server: Running;

afterAll(async () => {
  await server.end('SIGKILL');
  rmSync(data, { recursive: true });
});

const sleep = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

const newJob = async (url: string) => {
  const answer = await post(`${url}/api/jobs`, { name: 'Crash', site: 'Cellar', template: 'furnace-ac' });
  return ((await answer.json()) as { id: string }).id;
};

test('asked to stop, it finishes and leaves cleanly', async () => {
  server = await startServer(data);
  expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
  expect(await server.end('SIGTERM')).toBe(0);
}, 30_000);

test('nothing acknowledged is lost', async () => {
  const circuit = furnaceAirConditioner('Crash');
  server = await startServer(data);
  const { url } = server;
  const id = await newJob(url);
  let acknowledged = 1;
  const writing = (async () => {
    for (;;) {
      const answer = await post(`${url}/api/jobs/${id}/revisions`, { base: acknowledged, circuit });
      acknowledged = ((await answer.json()) as { number: number }).number;
    }
  })().catch(() => undefined);
  while (acknowledged < 25) await sleep(5);
  await server.end('SIGKILL');
  await writing;

  server = await startServer(data);
  const job = (await (await fetch(`${server.url}/api/jobs/${id}`)).json()) as {
    revision: number;
    circuit: unknown;
  };
  // One more may have been written than was heard of.
  expect(job.revision).toBeGreaterThanOrEqual(acknowledged);
  expect(job.revision).toBeLessThanOrEqual(acknowledged + 1);
  expect(job.circuit).toEqual(circuit);
}, 60_000);

// Fifty times in `npm run bench:record`; here three, a few milliseconds after so many entries, however slow the machine is.
test('a recording session killed again and again loses no entry, and its chain holds', async () => {
  const session: Session = { job: await newJob(server.url), next: 0, acknowledged: [] };
  for (const [entries, milliseconds] of [
    [4, 1],
    [5, 4],
    [4, 9],
  ] as const) {
    const enough = session.acknowledged.length + entries;
    const recording = recordUntilGone(server.url, session);
    while (session.acknowledged.length < enough) await sleep(2);
    await sleep(milliseconds);
    await server.end('SIGKILL');
    await recording;
    server = await startServer(data);
    expect(await recordFaults(server.url, session)).toEqual([]);
  }
  expect(session.acknowledged.length).toBeGreaterThan(10);
}, 60_000);

/** The first event of a stream; whoever listens goes again. */
async function firstOf(url: string, event: string): Promise<unknown> {
  const answer = await fetch(url);
  let text = '';
  for await (const chunk of answer.body!) {
    text += new TextDecoder().decode(chunk as Uint8Array);
    const found = new RegExp(`event: ${event}\ndata: (.*)\n`).exec(text);
    // To return lets go of the stream.
    if (found) return JSON.parse(found[1]!);
  }
  throw new Error(`no ${event} in ${text}`);
}

test('stand-ins go on where they were: a stream asked for again is of the same panel and the same meter', async () => {
  const put = (path: string, body: object) =>
    fetch(`${server.url}/api/${path}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  await put('fire-panels/cellar', { name: 'Cellar' });
  await put('fire-panels/cellar/test', { minutes: 60 });
  await put('fire-panels/cellar/loops/one', { reads: 'alarm', milliamps: 97 });
  const job = await newJob(server.url);
  const made = await post(`${server.url}/api/bench-meters`, { job, faults: ['statY broken'], noisy: false });
  const { id } = (await made.json()) as { id: string };
  await put(`bench-meters/${id}/probes`, {
    state: 'cool',
    mode: 'ac-volts',
    red: 'board.R',
    black: 'board.C',
  });
  const both = async () => [
    await firstOf(`${server.url}/api/fire-panels/cellar/stream`, 'panel'),
    await firstOf(`${server.url}/api/bench-meters/${id}/stream`, 'reading'),
  ];
  const before = await both();
  expect(before).toMatchObject([{ condition: 'alarm' }, { value: expect.closeTo(26, 0) as number }]);
  await server.end('SIGKILL');
  server = await startServer(data);
  expect(await both()).toEqual(before);
}, 60_000);
