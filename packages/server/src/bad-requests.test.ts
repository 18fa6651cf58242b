/**
 * Ten thousand requests that nobody meant: every route the server has, with ids, queries and bodies made up. Whatever is
 * wrong with one is said as a problem of the asker's (4xx, RFC 9110); none is answered as a fault of the server (5xx).
 */
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import * as fc from 'fast-check';
import { addPerson } from './db/crew';
import { keepKnown, openSession } from './db/sessions';
import { HOST, reach } from './testing/crew';
import { makeTestServer } from './testing/server';

const REQUESTS = 10_000;
const CREW_REQUESTS = 2_000;
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
  'code',
  'password',
  'old',
  'role',
  'answer',
  'upTo',
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

interface Asking {
  app: ReturnType<typeof makeTestServer>['app'];
  /** Which of its routes are asked. */
  isAsked: (path: string) => boolean;
  times: number;
  /** Makes, or knows, what ids may name; handed the address of the API. */
  known: (base: string) => Promise<string>;
  /** What a request carries besides its body, anew for each. */
  carried: (n: number) => Record<string, string>;
}

/** Asks, and counts the answers by their status; what went wrong in the server is told whole. */
async function askAll({ app, isAsked, times, known, carried }: Asking) {
  const listening = app.listen(0, '127.0.0.1');
  // A line that is idle for 5 s is closed, and whoever asks on it in that moment is cut off: on a busy machine that is not rare.
  listening.keepAliveTimeout = 300_000;
  await once(listening, 'listening');
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}/api`;
  const id = await known(base);
  const routes = routesOf((app as unknown as { router: { stack: Layer[] } }).router.stack).filter(
    ({ path }) => isAsked(path),
  );

  const faults: unknown[] = [];
  const asked = new Map<number, number>();
  const sample = fc.sample(requests(routes, id), { numRuns: times, seed: SEED });
  for (let from = 0; from < sample.length; from += ABREAST)
    await Promise.all(
      sample.slice(from, from + ABREAST).map(async (request, index) => {
        const { method } = request.route;
        let n = 0;
        // Malformed escapes go as they are; what could not stand in a path is escaped.
        const path = request.route.path.replace(/:\w+/g, () => {
          const part = request.ids[n++ % 3]!;
          return part.startsWith('%') ? part : escaped(part);
        });
        const query = request.query ? `?${new URLSearchParams([request.query]).toString()}` : '';
        const headers = carried(from + index);
        const answer = await fetch(`${base}${path}${query}`, {
          method,
          headers,
          ...(method !== 'GET' && {
            body: request.body,
            headers: { ...headers, 'content-type': request.type },
          }),
        });
        await answer.arrayBuffer();
        asked.set(answer.status, (asked.get(answer.status) ?? 0) + 1);
        if (answer.status >= 500)
          faults.push({ status: answer.status, method, path, query, body: request.body });
      }),
    );
  listening.close();
  listening.closeAllConnections();
  return {
    routes: routes.length,
    faults: faults.slice(0, 5),
    count: (status: number) => asked.get(status) ?? 0,
  };
}

test(`${REQUESTS} bad requests, and no fault of the server`, async () => {
  const server = makeTestServer({ requestsPerMinute: 1_000_000 });
  const { routes, faults, count } = await askAll({
    app: server.app,
    isAsked: () => true,
    times: REQUESTS,
    known: async (base) => {
      const made = await fetch(`${base}/jobs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: 'Hall', site: 'Quince orchard', template: 'boiler' }),
      });
      return ((await made.json()) as { id: string }).id;
    },
    carried: () => ({}),
  });
  server.stop();
  expect(routes).toBeGreaterThan(40);
  expect(faults).toEqual([]);
  // They were refused for what they are, not by a door in front of everything.
  expect(count(429)).toBe(0);
  expect(count(400) + count(422)).toBeGreaterThan(500);
}, 300_000);

test(`${CREW_REQUESTS} of whoever leads a crew, at its door and behind it`, async () => {
  const { app, db, stop } = makeTestServer({ requestsPerMinute: 1_000_000, reach });
  const { id } = addPerson(db, { name: 'Ansa', role: 'lead', passwordHash: 'x' })!;
  const known = keepKnown(db, id);
  const { routes, faults, count } = await askAll({
    app,
    isAsked: (path) => path.startsWith('/crew/'),
    times: CREW_REQUESTS,
    known: () => Promise.resolve(id),
    // From another address each time, for nobody may guess for long; and signed in anew, for one of them signs out.
    carried: (n) => ({
      host: HOST,
      'x-forwarded-for': `10.0.${n >> 8}.${n & 255}`,
      cookie: `__Host-session=${openSession(db, id, 'Phone', known.id)}`,
    }),
  });
  stop();
  expect(routes).toBeGreaterThan(20);
  expect(faults).toEqual([]);
  expect([count(401) < 300, count(421), count(429) < 300]).toEqual([true, 0, true]);
  expect(count(400) + count(422)).toBeGreaterThan(500);
}, 300_000);
