/** Kill −9 in the middle of writing: everything that was acknowledged is there afterwards. */
import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { furnaceAirConditioner } from '@zygostat/core/systems';

const ROOT = join(__dirname, '../../..');
const data = mkdtempSync(join(tmpdir(), 'zygostat-crash-'));
let child: ChildProcess;

afterAll(() => {
  child.kill('SIGKILL');
  rmSync(data, { recursive: true });
});

/** Starts the real server on a free port; resolves to its address. */
function start(): Promise<string> {
  child = spawn(process.execPath, ['--import', 'tsx', 'packages/server/src/main.ts'], {
    cwd: ROOT,
    env: {
      ...process.env,
      ZYGOSTAT_PORT: '0',
      ZYGOSTAT_DATA: data,
      ZYGOSTAT_LOG: 'silent',
      ZYGOSTAT_REQUESTS_PER_MINUTE: '100000',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.stdout!.on('data', (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
    child.on('exit', (code) => reject(new Error(`the server stopped with ${String(code)}`)));
  });
}

const post = (url: string, body: object) =>
  fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

test('asked to stop, it finishes and leaves cleanly', async () => {
  const url = await start();
  expect((await fetch(`${url}/api/health`)).status).toBe(200);
  child.removeAllListeners('exit');
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  expect(await gone).toBe(0);
}, 30_000);

test('nothing acknowledged is lost', async () => {
  const circuit = furnaceAirConditioner('Crash');
  const first = await start();
  const { id } = (await (
    await post(`${first}/api/jobs`, { name: 'Crash', site: 'Cellar', template: 'furnace-ac' })
  ).json()) as { id: string };
  let acknowledged = 1;
  const writing = (async () => {
    for (;;) {
      const answer = await post(`${first}/api/jobs/${id}/revisions`, { base: acknowledged, circuit });
      acknowledged = ((await answer.json()) as { number: number }).number;
    }
  })().catch(() => undefined);
  while (acknowledged < 25) await new Promise((resolve) => setTimeout(resolve, 5));
  child.removeAllListeners('exit');
  child.kill('SIGKILL');
  await writing;

  const second = await start();
  const job = (await (await fetch(`${second}/api/jobs/${id}`)).json()) as {
    revision: number;
    circuit: unknown;
  };
  // One more may have been written than was heard of.
  expect(job.revision).toBeGreaterThanOrEqual(acknowledged);
  expect(job.revision).toBeLessThanOrEqual(acknowledged + 1);
  expect(job.circuit).toEqual(circuit);
  child.removeAllListeners('exit');
}, 60_000);
