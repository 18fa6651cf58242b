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
  while (acknowledged < 25) await new Promise((resolve) => setTimeout(resolve, 5));
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

// Fifty times in `npm run bench:record`; here three, at moments that are the same every time.
test('a recording session killed again and again loses no entry, and its chain holds', async () => {
  const session: Session = { job: await newJob(server.url), next: 0, acknowledged: [] };
  for (const milliseconds of [61, 137, 223]) {
    const recording = recordUntilGone(server.url, session);
    await new Promise((resolve) => setTimeout(resolve, milliseconds));
    await server.end('SIGKILL');
    await recording;
    server = await startServer(data);
    expect(await recordFaults(server.url, session)).toEqual([]);
  }
  expect(session.acknowledged.length).toBeGreaterThan(10);
}, 60_000);
