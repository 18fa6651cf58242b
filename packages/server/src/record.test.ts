/** The record over HTTP: entries in a chain, bypasses across jobs. People and places are invented. */
import { createHash } from 'node:crypto';
import type { Body, Entry } from '@zygostat/core/record';
import { CHAIN_START, linkText } from '@zygostat/core/record';
import { sql } from 'drizzle-orm';
import request from 'supertest';
import { makeTestServer, refusalOf } from './testing/server';

const { app, db, stop } = makeTestServer();
afterAll(stop);

const api = () => request(app);
const newJob = async (name = 'Loft') =>
  (
    (await api().post('/api/jobs').send({ name, site: 'Orchard barn', template: 'furnace-ac' }).expect(201))
      .body as { id: string }
  ).id;

const until = '2026-11-27T16:00:00Z';
let count = 0;
const entry = (body: Body): Entry => ({ id: `e${++count}`, at: '2026-11-27T10:42:00Z', by: 'Sol', body });
const bypassed = (bypass = 'b1'): Body => ({
  type: 'bypassed',
  bypass,
  device: 'float',
  why: 'To prove the unit',
  until,
  watch: 'Sol',
});
const post = (job: string, given: unknown) =>
  api()
    .post(`/api/jobs/${job}/record`)
    .send(given as object);
const record = async (job: string) =>
  (await api().get(`/api/jobs/${job}/record`).expect(200)).body as (Entry & { link: string })[];

test('entries stand in the order they were taken in, in a chain that whoever has them can make again', async () => {
  const job = await newJob();
  for (const text of ['Walked the roof', 'Drain clear', 'Belt worn'])
    await post(job, entry({ type: 'note', text })).expect(201);
  let link = CHAIN_START;
  for (const one of await record(job)) {
    link = createHash('sha256').update(linkText(link, one)).digest('hex');
    expect(one.link).toBe(link);
  }
  expect(await record(job)).toHaveLength(3);
});

test('one sent twice is taken in once, and an id of another is refused', async () => {
  const job = await newJob();
  const note = entry({ type: 'note', text: 'Twice' });
  await post(job, note).expect(201);
  await post(job, note).expect(200);
  await post(job, { ...note, by: 'Sal' }).expect(409);
  await post(await newJob(), note).expect(409);
  expect(await record(job)).toHaveLength(1);
});

describe('many at once', () => {
  const many = (job: string, entries: unknown) =>
    api().post(`/api/jobs/${job}/record/many`).send({ entries });
  const note = (text: string) => entry({ type: 'note', text });

  test('stand in their order in the chain, up to the first that is refused; sent again, each counts once', async () => {
    const job = await newJob();
    const [first, put, second, last] = [note('In'), entry(bypassed()), entry(bypassed()), note('Out')];
    const { body } = await many(job, [first, put, second, last]).expect(200);
    expect(body).toMatchObject({ taken: 2, refused: { status: 422, title: 'Not valid' } });
    expect((await record(job)).map(({ id }) => id)).toEqual([first.id, put.id]);
    expect((await many(job, [first, put, last]).expect(200)).body).toEqual({ taken: 3 });
    const kept = await record(job);
    expect(kept.map(({ id }) => id)).toEqual([first.id, put.id, last.id]);
    let link = CHAIN_START;
    for (const one of kept) {
      link = createHash('sha256').update(linkText(link, one)).digest('hex');
      expect(one.link).toBe(link);
    }
  });

  test.each([
    ['none', []],
    ['too many', Array.from({ length: 201 }, () => null)],
    ['no list', { 0: null }],
  ])('%s: refused, and the field is named', async (_what, entries) => {
    const { body } = await many(await newJob(), entries).expect(422);
    expect((body as { detail: string }).detail).toContain('entries must be a list of 1 to 200');
  });
});

test('twenty written at once are all there, each with a place of its own', async () => {
  const job = await newJob();
  const notes = Array.from({ length: 20 }, (_, i) => entry({ type: 'note', text: `Note ${i}` }));
  await Promise.all(notes.map((note) => post(job, note).expect(201)));
  const all = await record(job);
  expect(new Set(all.map(({ id }) => id)).size).toBe(20);
});

test('a bypass shows across all jobs until it is out and proven; the job waits for it', async () => {
  const job = await newJob('Seed loft');
  const name = async () => {
    const { body } = await api().get('/api/bypasses').expect(200);
    return (body as { job: string; label: string; to: string | null }[])
      .filter((one) => one.job === job)
      .map(({ label, to }) => [label, to]);
  };
  const counted = async () =>
    ((await api().get(`/api/jobs/${job}`).expect(200)).body as { bypasses: number }).bypasses;
  await post(job, entry(bypassed())).expect(201);
  expect(await name()).toEqual([['Pan float', null]]);
  expect(await counted()).toBe(1);
  const finish = () => post(job, entry({ type: 'finished', text: '' }));
  expect((await finish().expect(422)).body.detail).toMatch(/float is bypassed; take it out/);
  const done = await api().patch(`/api/jobs/${job}`).send({ state: 'done' }).expect(422);
  expect(done.body.detail).toMatch(/^state must stay open while Pan float is bypassed/);
  const away = await api().patch(`/api/jobs/${job}`).send({ isAway: true }).expect(422);
  expect(away.body.detail).toMatch(/^isAway must stay false while Pan float is bypassed/);
  await post(job, entry({ type: 'handed-over', bypass: 'b1', to: 'Remy', until })).expect(201);
  expect(await name()).toEqual([['Pan float', 'Remy']]);
  await finish().expect(201);
  const restored: Body = { type: 'restored', bypass: 'b1', proof: 'tripped', text: 'Lifted: it stopped' };
  await post(job, entry(restored)).expect(201);
  expect(await name()).toEqual([]);
  expect(await counted()).toBe(0);
});

test.each<[string, unknown, RegExp]>([
  ['what is no entry', { id: 'x' }, /at is required/],
  ['a device there is not', entry({ ...bypassed(), device: 'moon' } as Body), /^body.device must name/],
  [
    'a bypass nobody put in',
    entry({ type: 'restored', bypass: 'none', proof: 'read', text: 'Read 0 V across it' }),
    /^body.bypass must be a bypass of this job/,
  ],
])('%s is refused, and nothing is added', async (_what, given, words) => {
  const job = await newJob();
  expect((await post(job, given).expect(422)).body.detail).toMatch(words);
  expect(await record(job)).toEqual([]);
});

test('the database itself refuses to change an entry or take it away', async () => {
  await post(await newJob(), entry({ type: 'note', text: 'Kept' })).expect(201);
  expect(refusalOf(() => db.run(sql`update record_entries set "by" = 'Sal'`))).toMatch('append-only');
  expect(refusalOf(() => db.run(sql`delete from record_entries`))).toMatch('append-only');
});
