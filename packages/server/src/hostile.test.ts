/** Small bodies made to keep the server busy are refused by what they are, before anything in them is looked at one by one. */
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { HOST, reach } from './testing/crew';
import { hostileBodies } from './testing/hostile';
import { makeTestServer } from './testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);

const detailOf = ({ body }: { body: unknown }) => (body as { detail: string }).detail;

test('each is answered as a fault of whoever sent it, with few words', async () => {
  const { body } = await request(app)
    .post('/api/jobs')
    .send({ name: 'Loft', site: 'Orchard barn', template: 'furnace-ac' });
  const { id, siteId } = body as { id: string; siteId: string };
  const bodies = hostileBodies(id, siteId);
  expect(bodies.length).toBeGreaterThanOrEqual(200);
  // Every tenth here; `npm run bench:load` sends them all and times who waits for them.
  for (const { method, path, type, body: sent, what } of bodies.filter((_body, i) => i % 10 === 0)) {
    const asked = method === 'POST' ? request(app).post(path) : request(app).put(path);
    const answer = await asked.type(type).send(typeof sent === 'string' ? sent : Buffer.from(sent));
    expect({ what, path, isTheirs: answer.status >= 400 && answer.status < 500 }).toMatchObject({
      isTheirs: true,
    });
    expect(answer.text.length).toBeLessThan(100_000);
  }
});

test.each([
  ['a list of more entries than anything has', `[${'{},'.repeat(30_000)}{}]`, /more than 20000 entries/],
  [
    'an object of more fields',
    `{${Array.from({ length: 4000 }, (_, i) => `"f${i}":1`).join()}}`,
    /more than 3000 fields/,
  ],
  ['something nested deeper', '['.repeat(50_000), /deeper than 40/],
  ['brackets in a text, which are none', JSON.stringify({ name: '[{'.repeat(100) }), /site is required/],
])('%s is named', async (_what, body, detail) => {
  const answer = await request(app).post('/api/jobs').type('application/json').send(body);
  expect(detailOf(answer)).toMatch(detail);
});

test('a list that is too long is said to be, and nothing of what is in it', async () => {
  const circuit = { devices: new Array(5000).fill({}) as object[] };
  const { body } = await request(app).post('/api/jobs').send({ name: 'x', site: 'x', circuit }).expect(422);
  const { problems } = body as { problems: { path: string; message: string }[] };
  expect(problems).toContainEqual({ path: 'circuit.devices', message: 'must have at most 200 entries' });
  expect(problems.filter(({ path }) => path.startsWith('circuit.devices['))).toEqual([]);
});

test('a body that cannot be unpacked is damaged, not a fault of the server', async () => {
  const answer = await request(app)
    .post('/api/jobs')
    .set('Content-Encoding', 'gzip')
    .type('application/json')
    .send(Buffer.from('not gzip at all') as unknown as string);
  expect(answer.status).toBe(400);
  expect(detailOf(answer)).toMatch(/may be damaged/);
});

test('of somebody who is not signed in no more is read than it takes to sign in', async () => {
  const crew = makeTestServer({ reach });
  try {
    const bomb = gzipSync(`[${'{},'.repeat(300_000)}{}]`);
    const asked = request(crew.app)
      .post('/api/crew/sign-in')
      .set({ Host: HOST, Origin: `https://${HOST}`, 'Content-Encoding': 'gzip' })
      .type('application/json');
    // As it is: what `send` is given it would write as JSON.
    asked.write(bomb as unknown as string);
    const answer = await asked;
    expect(answer.status).toBe(413);
    expect(detailOf(answer)).toMatch(/larger than 4 kB/);
  } finally {
    crew.stop();
  }
});
