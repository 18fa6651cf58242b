/**
 * Ten thousand requests that nobody meant: every route the server has, with ids, queries and bodies made up. Whatever is
 * wrong with one is said as a problem of the asker's (4xx, RFC 9110); none is answered as a fault of the server (5xx).
 */
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import * as fc from 'fast-check';
import { makeTestServer } from './testing/server';

const REQUESTS = 10_000;
const SEED = 20281129;
/** Asked at once. */
const ABREAST = 25;

interface Layer {
  route?: { path: string; methods: Record<string, boolean> };
  handle: { stack?: Layer[] };
}

/** Every route under /api as the running app has it, so that a new one is asked too. Streams are answered for good. */
function routesOf(stack: readonly Layer[]): { method: string; path: string }[] {
  return stack.flatMap(({ route, handle }) => {
    if (!route) return routesOf(handle.stack ?? []);
    if (route.path.endsWith('/stream') || route.path.includes('*')) return [];
    return Object.keys(route.methods).map((method) => ({ method: method.toUpperCase(), path: route.path }));
  });
}

const TYPES = [
  'application/json',
  'text/plain',
  'text/csv',
  'image/jpeg',
  'application/zip',
  'application/octet-stream',
];
const ODD = [
  '',
  'x',
  '..',
  '%00',
  '%E0%A4%A',
  "' or 1=1 --",
  '__proto__',
  '\u{1F525}',
  '9'.repeat(300),
  '-1',
  'NaN',
];

const odd = fc.oneof(fc.constantFrom(...ODD), fc.string({ maxLength: 20 }));
/** Bodies: anything JSON, objects with the names that bodies have and anything in them, and what is no JSON at all. */
const NAMES = [
  'id',
  'name',
  'site',
  'template',
  'circuit',
  'base',
  'baseNumber',
  'entries',
  'value',
  'red',
  'black',
  'toString',
  '__proto__',
];
const body = fc.oneof(
  fc.json({ maxDepth: 4 }),
  fc
    .dictionary(fc.constantFrom(...NAMES), fc.jsonValue({ maxDepth: 3 }))
    .map((value) => JSON.stringify(value)),
  fc.string({ maxLength: 200 }),
  fc.constantFrom('{"a":', '[]', 'null', '"'.repeat(50), '\u0000'),
);

/** A text as a part of a path; a lone half of a pair of code units cannot stand in one. */
const escaped = (id: string) => encodeURIComponent(id.replace(/\p{Surrogate}/gu, '')) || 'x';

/** Where a body is taken the job is often there, so that the body is looked at; what is only read would be papers drawn, over and over. */
const idFor = (method: string, job: string) =>
  fc.oneof(
    { weight: method === 'GET' ? 1 : 20, arbitrary: fc.constant(job) },
    { weight: 20, arbitrary: odd },
  );

const requests = (routes: { method: string; path: string }[], job: string) =>
  fc.constantFrom(...routes).chain((route) =>
    fc.record({
      route: fc.constant(route),
      ids: fc.array(idFor(route.method, job), { minLength: 3, maxLength: 3 }),
      query: fc.option(fc.tuple(odd, odd), { freq: 3 }),
      type: fc.constantFrom(...TYPES),
      body,
    }),
  );

test(`${REQUESTS} bad requests, and no fault of the server`, async () => {
  const server = makeTestServer({ requestsPerMinute: 1_000_000 });
  const listening = server.app.listen(0, '127.0.0.1');
  // A line that is idle for 5 s is closed, and whoever asks on it in that moment is cut off: on a busy machine that is not rare.
  listening.keepAliveTimeout = 300_000;
  await once(listening, 'listening');
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}/api`;
  const made = await fetch(`${base}/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Hall', site: 'Quince orchard', template: 'boiler' }),
  });
  const { id: job } = (await made.json()) as { id: string };
  const routes = routesOf((server.app as unknown as { router: { stack: Layer[] } }).router.stack);
  expect(routes.length).toBeGreaterThan(40);

  const faults: unknown[] = [];
  const asked = new Map<number, number>();
  const sample = fc.sample(requests(routes, job), { numRuns: REQUESTS, seed: SEED });
  for (let from = 0; from < sample.length; from += ABREAST)
    await Promise.all(
      sample.slice(from, from + ABREAST).map(async (request) => {
        const { method } = request.route;
        let n = 0;
        // Malformed escapes go as they are; what could not stand in a path is escaped.
        const path = request.route.path.replace(/:\w+/g, () => {
          const id = request.ids[n++ % 3]!;
          return id.startsWith('%') ? id : escaped(id);
        });
        const query = request.query ? `?${new URLSearchParams([request.query]).toString()}` : '';
        const answer = await fetch(`${base}${path}${query}`, {
          method,
          ...(method !== 'GET' && { body: request.body, headers: { 'content-type': request.type } }),
        });
        await answer.arrayBuffer();
        asked.set(answer.status, (asked.get(answer.status) ?? 0) + 1);
        if (answer.status >= 500)
          faults.push({ status: answer.status, method, path, query, body: request.body });
      }),
    );
  listening.close();
  listening.closeAllConnections();
  server.stop();
  expect(faults.slice(0, 5)).toEqual([]);
  // They were refused for what they are, not by a door in front of everything.
  expect(asked.get(429) ?? 0).toBe(0);
  expect((asked.get(400) ?? 0) + (asked.get(422) ?? 0)).toBeGreaterThan(500);
}, 300_000);
