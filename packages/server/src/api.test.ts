import type { Circuit } from '@zygostat/core/circuit';
import { land } from '@zygostat/core/circuit';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { sql } from 'drizzle-orm';
import { buildingProblems } from '@zygostat/core/building';
import request from 'supertest';
import { loadDemo } from './demo';
import { makeTestServer, refusalOf } from './testing/server';

const { app, db, stop } = makeTestServer();
afterAll(stop);

const api = () => request(app);
const circuit = furnaceAirConditioner('API');
const newJob = async (name = 'Loft', site = 'Orchard barn') =>
  (await api().post('/api/jobs').send({ name, site, template: 'furnace-ac' }).expect(201)).body as {
    id: string;
    revision: number;
  };

describe('jobs', () => {
  test('are made from a template, listed, found and opened', async () => {
    const { id } = await newJob('Tack room', 'Heron stables');
    const opened = (await api().get(`/api/jobs/${id}`).expect(200)).body as {
      circuit: Circuit;
      site: string;
      revision: number;
    };
    expect(opened).toMatchObject({ site: 'Heron stables', revision: 1, circuit: { name: 'Tack room' } });
    const found = (await api().get('/api/jobs').query({ search: 'heron' }).expect(200)).body as {
      id: string;
    }[];
    expect(found.map((job) => job.id)).toEqual([id]);
    await api()
      .patch(`/api/jobs/${id}`)
      .send({ state: 'done', notes: 'Left the diagram inside the door.' })
      .expect(200);
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ state: 'done' });
  });

  test('put away are found by a search or when asked for, and brought back', async () => {
    const { id } = await newJob('Winnowing floor', 'Heron stables');
    await newJob('Granary', 'Heron stables');
    const listed = async (query: object) =>
      ((await api().get('/api/jobs').query(query).expect(200)).body as { id: string }[]).some(
        (job) => job.id === id,
      );
    await api().patch(`/api/jobs/${id}`).send({ isAway: true }).expect(200);
    expect(await listed({})).toBe(false);
    expect(await listed({ away: true })).toBe(true);
    expect(await listed({ search: 'winnowing' })).toBe(true);
    expect(await listed({ search: 'granary', away: true })).toBe(false);
    await api().patch(`/api/jobs/${id}`).send({ isAway: false, name: 'Winnowing floor, east' }).expect(200);
    expect(await listed({})).toBe(true);
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ name: 'Winnowing floor, east' });
    await api().patch(`/api/jobs/${id}`).send({ isAway: 'yes' }).expect(422);
  });

  test('share a site by its name', async () => {
    await newJob('One', 'Shared site');
    await newJob('Two', 'Shared site');
    const sites = (await api().get('/api/sites').expect(200)).body as { name: string }[];
    expect(sites.filter(({ name }) => name === 'Shared site')).toHaveLength(1);
  });

  test('begun where there was no signal are taken in under the ids made there, once', async () => {
    const begun = {
      id: 'begun-in-the-attic',
      siteId: 'site-of-the-attic',
      name: 'Attic',
      site: 'Damson cottage',
      survey: true,
    };
    const first = await api().post('/api/jobs').send(begun).expect(201);
    expect(first.body).toMatchObject({ id: begun.id, siteId: begun.siteId });
    const again = await api().post('/api/jobs').send(begun).expect(200);
    expect(again.body).toMatchObject({ id: begun.id, revision: 1 });
    await api()
      .post('/api/jobs')
      .send({ ...begun, name: 'Cellar' })
      .expect(409);
    // A site that is known by name by then is that site.
    const second = { ...begun, id: 'begun-in-the-cellar', siteId: 'another-site-id', name: 'Cellar' };
    const { body } = await api().post('/api/jobs').send(second).expect(201);
    expect(body).toMatchObject({ siteId: begun.siteId });
  });

  test('are made from a circuit file', async () => {
    const made = await api().post('/api/jobs').send({ name: 'File', site: 'Barn', circuit }).expect(201);
    expect((await api().get(String(made.headers.location))).body).toMatchObject({ circuit });
  });

  test('that look like markup or SQL are only names', async () => {
    const name = `'; DROP TABLE jobs; -- <script>alert(1)</script>`;
    const { id } = await newJob(name);
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ name });
    const found = (await api().get('/api/jobs').query({ search: `%'; DROP` })).body as unknown[];
    expect(found).toEqual([]);
    expect(db.get<{ n: number }>(sql`select count(*) as n from jobs`)!.n).toBeGreaterThan(0);
  });
});

describe('revisions', () => {
  test('are appended, kept and told apart', async () => {
    const { id } = await newJob();
    const changed = land(circuit, 'statY', 'from', 'stat.W');
    await api()
      .post(`/api/jobs/${id}/revisions`)
      .send({ base: 1, circuit: changed, note: 'Moved Y' })
      .expect(201, { number: 2 });
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ revision: 2, circuit: changed });
    expect((await api().get(`/api/jobs/${id}/revisions/1`)).body).toMatchObject({ number: 1 });
    expect((await api().get(`/api/jobs/${id}/revisions`)).body).toHaveLength(2);
  });

  test('from a second tab are refused with the newest number, and nothing is overwritten', async () => {
    const { id } = await newJob();
    const first = land(circuit, 'statY', 'from', 'stat.W');
    const other = land(circuit, 'statG', 'from', 'stat.W');
    await api().post(`/api/jobs/${id}/revisions`).send({ base: 1, circuit: first }).expect(201);
    const second = await api()
      .post(`/api/jobs/${id}/revisions`)
      .send({ base: 1, circuit: other })
      .expect(409);
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ revision: 2, circuit: first });
    expect((await api().get(`/api/jobs/${id}/revisions`)).body).toHaveLength(2);
    expect(second.body).toMatchObject({ status: 409, latest: 2 });
    expect(second.headers['content-type']).toMatch('application/problem+json');
  });

  test('sent at the same time: one lands, the rest are told', async () => {
    const { id } = await newJob();
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => api().post(`/api/jobs/${id}/revisions`).send({ base: 1, circuit })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([201, ...Array<number>(7).fill(409)]);
    expect((await api().get(`/api/jobs/${id}/revisions`)).body).toHaveLength(2);
  });

  test('cannot be changed or removed, not even by this program', () => {
    expect(refusalOf(() => db.run(sql`update revisions set note = 'x'`))).toMatch('append-only');
    expect(refusalOf(() => db.run(sql`delete from revisions`))).toMatch('append-only');
  });
});

describe('readings', () => {
  const reading = {
    revision: 1,
    mode: 'ac-volts',
    meter: 'high-z',
    red: 'board.R',
    black: 'board.C',
    expected: 26.2,
    actual: 25.8,
  };

  test('are judged and listed newest first', async () => {
    const { id } = await newJob();
    await api().post(`/api/jobs/${id}/readings`).send(reading).expect(201);
    const low = await api()
      .post(`/api/jobs/${id}/readings`)
      .send({ ...reading, actual: 3.1 })
      .expect(201);
    expect(low.body).toMatchObject({ verdict: 'low', unit: 'V' });
    const list = (await api().get(`/api/jobs/${id}/readings`)).body as { verdict: string }[];
    expect(list.map(({ verdict }) => verdict)).toEqual(['low', 'agrees']);
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ readings: 2, disagreeing: 1 });
  });

  test('sent again under their own id are logged once', async () => {
    const { id } = await newJob();
    const sent = { ...reading, id: 'reading-0001' };
    await api().post(`/api/jobs/${id}/readings`).send(sent).expect(201);
    await api().post(`/api/jobs/${id}/readings`).send(sent).expect(201);
    expect((await api().get(`/api/jobs/${id}/readings`)).body).toHaveLength(1);
    const other = await newJob();
    await api().post(`/api/jobs/${other.id}/readings`).send(sent).expect(409);
    const bad = await api()
      .post(`/api/jobs/${id}/readings`)
      .send({ ...reading, id: 'no spaces' });
    expect(bad.status).toBe(422);
    expect((bad.body as { detail: string }).detail).toMatch(/id must be 8 to 60/);
  });

  test('of an open loop travel as null', async () => {
    const { id } = await newJob();
    const open = { ...reading, mode: 'ohms', expected: null, actual: null };
    expect((await api().post(`/api/jobs/${id}/readings`).send(open).expect(201)).body).toMatchObject({
      verdict: 'agrees',
    });
    await api()
      .post(`/api/jobs/${id}/readings`)
      .send({ ...reading, actual: null })
      .expect(422);
  });
});

describe('bad input', () => {
  let id: string;
  beforeAll(async () => {
    ({ id } = await newJob());
  });

  test.each<[string, object | string | undefined, number, RegExp]>([
    ['no body', undefined, 422, /required|object/],
    ['an empty object', {}, 422, /name is required/],
    ['an empty name', { name: '', site: 'A', template: 'furnace-ac' }, 422, /name must not be empty/],
    ['a name of 81', { name: 'x'.repeat(81), site: 'A', template: 'furnace-ac' }, 422, /at most 80/],
    ['a number for a name', { name: 4, site: 'A', template: 'furnace-ac' }, 422, /name/],
    [
      'an unknown template',
      { name: 'A', site: 'A', template: 'spaceship' },
      422,
      /template must be one of furnace-ac/,
    ],
    ['template and circuit', { name: 'A', site: 'A', template: 'furnace-ac', circuit: {} }, 422, /only one/],
    [
      'an unknown field',
      { name: 'A', site: 'A', template: 'furnace-ac', admin: true },
      422,
      /unknown field admin/,
    ],
    [
      'a circuit of a later version',
      { name: 'A', site: 'A', circuit: { ...circuit, version: 9 } },
      422,
      /circuit.version must be 1/,
    ],
    ['text that is not JSON', '{"name":', 400, /not valid JSON/],
    ['a bare JSON string', '"hello"', 400, /not valid JSON/],
  ])('new job with %s', async (_what, body, status, why) => {
    const call = api().post('/api/jobs').set('Content-Type', 'application/json');
    const answer = await (body === undefined ? call : call.send(body));
    expect(answer.status).toBe(status);
    expect((answer.body as { detail: string }).detail).toMatch(why);
  });

  test('ten megabytes are too many', async () => {
    const answer = await api()
      .post('/api/jobs')
      .send({ name: 'x'.repeat(10_000_000) });
    expect(answer.status).toBe(413);
    expect((answer.body as { title: string }).title).toBe('Too large');
  });

  test.each<[string, object, RegExp]>([
    ['NaN', { actual: 'NaN' }, /actual/],
    ['negative volts', { actual: -4 }, /actual must not be negative/],
    ['an unknown mode', { mode: 'smell' }, /mode must be one of/],
    ['a point that is no terminal', { red: '<b>' }, /red must be a terminal/],
    ['a revision to come', { revision: 99 }, /at most 1/],
  ])('reading with %s', async (_what, change, why) => {
    const good = {
      revision: 1,
      mode: 'ac-volts',
      meter: 'high-z',
      red: 'board.R',
      black: 'board.C',
      expected: 26,
      actual: 26,
    };
    const answer = await api()
      .post(`/api/jobs/${id}/readings`)
      .send({ ...good, ...change });
    expect(answer.status).toBe(422);
    expect((answer.body as { detail: string }).detail).toMatch(why);
  });

  test.each([
    ['get', '/api/jobs/nope'],
    ['get', '/api/jobs/nope/revisions'],
    ['get', '/api/jobs/nope/readings'],
    ['patch', '/api/jobs/nope'],
    ['post', '/api/jobs/nope/revisions'],
    ['post', '/api/jobs/nope/readings'],
    ['get', '/api/nothing'],
    ['delete', '/api/jobs'],
  ] as const)('%s %s is not found', async (method, path) => {
    const call = api()[method](path);
    const answer = await (method === 'get' ? call : call.send({}));
    expect(answer.status).toBe(404);
    expect(answer.body).toMatchObject({ status: 404, title: 'Not found' });
  });

  test('a malformed escape and a revision that is no number', async () => {
    expect((await api().get('/api/jobs/%E0%A4%A')).status).toBeLessThan(500);
    await api().get(`/api/jobs/${id}/revisions/two`).expect(404);
  });

  test('a search that is a list or too long is refused or taken as text, never a failure', async () => {
    await api()
      .get('/api/jobs?search[]=a&search[]=b')
      .expect((answer) => expect(answer.status).toBeLessThan(500));
    await api()
      .get('/api/jobs')
      .query({ search: 'x'.repeat(101) })
      .expect(422);
  });
});

describe('the house rules of the server', () => {
  test('it is healthy, sends a policy and hides what it runs on', async () => {
    const answer = await api().get('/api/health').expect(200, { status: 'ok' });
    expect(answer.headers['content-security-policy']).toMatch("default-src 'self'");
    expect(answer.headers['x-powered-by']).toBeUndefined();
  });

  test('a client that asks too often is slowed down', async () => {
    const limited = makeTestServer({ requestsPerMinute: 3 });
    const statuses = [];
    for (let i = 0; i < 5; i++) statuses.push((await request(limited.app).get('/api/health')).status);
    limited.stop();
    expect(statuses).toEqual([200, 200, 200, 429, 429]);
  });

  test('the demo loads into an empty database only', async () => {
    const fresh = makeTestServer();
    loadDemo(fresh.db);
    loadDemo(fresh.db);
    const jobs = (await request(fresh.app).get('/api/jobs')).body as { notes: string; siteId: string }[];
    const { siteId } = jobs.find(({ notes }) => notes.startsWith('RTU 1'))!;
    const { body } = await request(fresh.app).get(`/api/sites/${siteId}/building`);
    fresh.stop();
    expect(jobs).toHaveLength(7);
    expect(buildingProblems((body as { building: unknown }).building)).toEqual([]);
    expect(jobs.filter(({ notes }) => notes.includes('WIRED WRONG ON PURPOSE'))).toHaveLength(1);
  });
});
