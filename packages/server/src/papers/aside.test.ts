/** Whoever prints keeps nobody waiting: the real server, its papers drawn in a process beside it. */
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import type { Running } from '../testing/process';
import { post, startServer } from '../testing/process';

const data = mkdtempSync(join(tmpdir(), 'zygostat-papers-'));
let server: Running;

beforeAll(async () => {
  server = await startServer(data);
}, 60_000);

afterAll(async () => {
  await server.end('SIGKILL');
  rmSync(data, { recursive: true });
});

test('others are answered while a diagram is laid out, and the diagram comes', async () => {
  const made = await post(`${server.url}/api/jobs`, { name: 'Print', site: 'Cellar', template: 'heat-pump' });
  const { id } = (await made.json()) as { id: string };
  const answered: string[] = [];
  const printed = fetch(`${server.url}/api/jobs/${id}/papers/diagram.pdf`).then(async (answer) => {
    const bytes = Buffer.from(await answer.arrayBuffer());
    answered.push('diagram');
    return { type: answer.headers.get('content-type'), start: bytes.subarray(0, 5).toString() };
  });
  for (let n = 0; n < 5; n++) {
    await fetch(`${server.url}/api/health`);
    answered.push('health');
  }
  expect(await printed).toEqual({ type: 'application/pdf', start: '%PDF-' });
  expect(answered).toEqual(['health', 'health', 'health', 'health', 'health', 'diagram']);
}, 60_000);

test('a report has its photographs from there, too', async () => {
  const made = await post(`${server.url}/api/jobs`, { name: 'Seen', site: 'Cellar', template: 'boiler' });
  const job = `${server.url}/api/jobs/${((await made.json()) as { id: string }).id}`;
  const jpeg = await sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#c84' } })
    .jpeg()
    .toBuffer();
  const sent = await fetch(`${job}/photos?station=plant`, {
    method: 'POST',
    headers: { 'Content-Type': 'image/jpeg' },
    body: new Uint8Array(jpeg),
  });
  expect(sent.status).toBe(201);
  const report = Buffer.from(await (await fetch(`${job}/report.pdf?zone=UTC`)).arrayBuffer());
  // As a JPEG stands in a PDF (ISO 32000-1, 7.4.8).
  expect(report.toString('latin1')).toMatch(/DCTDecode/);
  // As large as it is printed, and no larger.
  expect(report.toString('latin1')).toMatch(/\/Width 800\n\/Height 600/);
}, 60_000);

/** Processes that the server has started (Linux: proc(5)). */
const beside = (): number[] =>
  readFileSync(`/proc/${server.pid}/task/${server.pid}/children`, 'utf8')
    .trim()
    .split(' ')
    .filter(Boolean)
    .map(Number);

/** Nice values of a process's threads: the 19th field of each (proc(5)). */
function nicenessOf(pid: number): number[] {
  const values = readdirSync(`/proc/${pid}/task`).map((thread) => {
    const afterName = readFileSync(`/proc/${pid}/task/${thread}/stat`, 'utf8').split(') ')[1]!;
    return Number(afterName.split(' ')[16]);
  });
  return [...new Set(values)];
}

test('whoever draws gives way to whoever answers, with each of its threads, and when it dies the next one draws', async () => {
  const made = await post(`${server.url}/api/jobs`, { name: 'Lost', site: 'Cellar', template: 'boiler' });
  const cards = `${server.url}/api/jobs/${((await made.json()) as { id: string }).id}/papers/cards.pdf`;
  expect((await fetch(cards)).status).toBe(200);
  const [drawing] = beside();
  expect(nicenessOf(drawing!)).toEqual([19]);
  process.kill(drawing!, 'SIGKILL');
  while (beside().length > 0) await pause(10);
  expect((await fetch(cards)).status).toBe(200);
  expect(beside()).not.toContain(drawing);
}, 60_000);
