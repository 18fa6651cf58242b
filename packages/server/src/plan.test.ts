import { writeSchedule } from '@zygostat/core/formats';
import { planSwap } from '@zygostat/core/plan';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import type { Plan } from '@zygostat/core/wire';
import { cardsOf } from '@zygostat/core/wire';
import { PARALLEL_LABEL } from '@zygostat/core/words';
import pdfParse from 'pdf-parse/lib/pdf-parse.js';
import request from 'supertest';
import { makeTestServer } from './testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);

const api = () => request(app);
const newJob = async () =>
  (
    (
      await api()
        .post('/api/jobs')
        .send({ name: 'Loft', site: 'Orchard barn', template: 'furnace-ac-no-c' })
        .expect(201)
    ).body as { id: string }
  ).id;

const before = furnaceAirConditioner('Loft', false);
const plan: Plan = {
  version: 2,
  id: 'plan-1',
  title: 'New thermostat, blue for C',
  before,
  after: planSwap(before, { device: 'stat', terminals: 'five', supply: 'both' })!.options[0]!.circuit,
  swap: { device: 'stat', terminals: 'five', supply: 'both', way: 'spare' },
  reasons: {},
  events: [],
};

describe('plans', () => {
  test('begin with none, are saved, ticked off and taken back', async () => {
    const id = await newJob();
    expect((await api().get(`/api/jobs/${id}/plan`).expect(200)).body).toEqual({ number: 0, plan: null });
    await api().put(`/api/jobs/${id}/plan`).send({ base: 0, plan }).expect(200);
    const event = {
      id: 'e1',
      type: 'ticked',
      step: 'off',
      by: 'Ada',
      at: '2026-11-25T10:00:00.000Z',
      knows: [],
    };
    const ticked = { ...plan, events: [event] };
    await api().put(`/api/jobs/${id}/plan`).send({ base: 1, plan: ticked }).expect(200);
    expect((await api().get(`/api/jobs/${id}/plan`)).body).toEqual({ number: 2, plan: ticked });
    // What happened to a list is never left out of it.
    const { body } = await api().put(`/api/jobs/${id}/plan`).send({ base: 2, plan }).expect(422);
    expect((body as { detail: string }).detail).toBe('plan.events.e1 must not be left out');
    await api().put(`/api/jobs/${id}/plan`).send({ base: 2, plan: null }).expect(200);
    expect((await api().get(`/api/jobs/${id}/plan`)).body).toEqual({ number: 3, plan: null });
  });

  test('never overwrite another tab’s', async () => {
    const id = await newJob();
    await api().put(`/api/jobs/${id}/plan`).send({ base: 0, plan }).expect(200);
    const second = await api().put(`/api/jobs/${id}/plan`).send({ base: 0, plan }).expect(409);
    expect(second.body).toMatchObject({ latest: 1 });
  });

  test('saved twice under one id, since the answer was lost, are saved once', async () => {
    const id = await newJob();
    const save = (base: number, name: string) =>
      api().put(`/api/jobs/${id}/plan`).send({ base, save: name, plan });
    expect((await save(0, 'save-one').expect(200)).body).toEqual({ number: 1, latest: 1 });
    await save(1, 'save-two').expect(200);
    expect((await save(0, 'save-one').expect(200)).body).toEqual({ number: 1, latest: 2 });
    expect((await api().get(`/api/jobs/${id}/plan`)).body).toMatchObject({ number: 2 });
    await save(0, 'save-three').expect(409);
  });

  test('of version 1 are read in', async () => {
    const id = await newJob();
    const { id: _id, events: _events, ...rest } = plan;
    const one = { ...rest, version: 1, done: { off: { at: '2026-11-25T10:00:00.000Z' } } };
    await api().put(`/api/jobs/${id}/plan`).send({ base: 0, plan: one }).expect(200);
    expect((await api().get(`/api/jobs/${id}/plan`)).body).toMatchObject({
      plan: { version: 2, id: 'first', events: [{ type: 'ticked', step: 'off' }] },
    });
  });

  test.each([
    ['of another shape', { base: 0, plan: { version: 1 } }, /plan\.title/],
    ['with a broken circuit', { base: 0, plan: { ...plan, before: {} } }, /plan\.before/],
    ['left out', { base: 0 }, /plan is required/],
  ])('%s are refused, naming the field', async (_what, body, detail) => {
    const answer = await api()
      .put(`/api/jobs/${await newJob()}/plan`)
      .send(body)
      .expect(422);
    expect((answer.body as { detail: string }).detail).toMatch(detail);
  });
});

describe('the wire schedule', () => {
  test('goes out and comes back as a preview that changes nothing', async () => {
    const id = await newJob();
    const out = await api().get(`/api/jobs/${id}/schedule.csv`).expect(200);
    expect(out.headers['content-type']).toMatch(/^text\/csv/);
    expect(out.text).toBe(writeSchedule(before));
    const changed = out.text.replace('statY,YE', 'statY,VT');
    const back = await api()
      .post(`/api/jobs/${id}/schedule?mode=merge`)
      .type('text/csv')
      .send(`\uFEFF${changed}`)
      .expect(200);
    expect(JSON.stringify(back.body)).toContain('"colour":"VT"');
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ revision: 1 });
  });

  test('names what is wrong by line, and the mode that is not one', async () => {
    const id = await newJob();
    const bad = writeSchedule(before).replace('stat.Y', 'stat.Q');
    const answer = await api()
      .post(`/api/jobs/${id}/schedule?mode=merge`)
      .type('text/csv')
      .send(bad)
      .expect(422);
    expect((answer.body as { problems: object[] }).problems[0]).toMatchObject({
      path: expect.stringMatching(/^line \d+$/),
      message: expect.stringMatching(/no terminal "Q"/),
    });
    await api().post(`/api/jobs/${id}/schedule?mode=mix`).type('text/csv').send(bad).expect(422);
    await api().post(`/api/jobs/${id}/schedule?mode=merge`).send({}).expect(415);
  });
});

describe('papers', () => {
  const pages = (body: unknown) =>
    (
      Buffer.from(body as Buffer)
        .toString('latin1')
        .match(/\/Type \/Page\b/g) ?? []
    ).length;

  test('a card for each place, as planned', async () => {
    const id = await newJob();
    await api().put(`/api/jobs/${id}/plan`).send({ base: 0, plan }).expect(200);
    const cards = await api().get(`/api/jobs/${id}/papers/cards.pdf`).responseType('blob').expect(200);
    expect(
      Buffer.from(cards.body as Buffer)
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect(pages(cards.body)).toBe(cardsOf(plan.after).length);
    // What is stripped is told in the person's units.
    expect((await pdfParse(cards.body as Buffer)).text).toContain('5/16 in.');
    const metric = await api()
      .get(`/api/jobs/${id}/papers/cards.pdf?length=m`)
      .responseType('blob')
      .expect(200);
    expect((await pdfParse(metric.body as Buffer)).text).toContain('8 mm');
    await api().get(`/api/jobs/${id}/papers/cards.pdf?length=ells`).expect(422);
    const rows = (await api().get(`/api/jobs/${id}/papers/landings.csv`).expect(200)).text.split('\r\n');
    expect(rows[0]).toBe('place,terminal,colour,tag,cable,strip_mm,other_end');
    expect(rows.find((row) => row.includes('New thermostat C,BU'))).toContain(
      '"Furnace board C, Plant room"',
    );
  });

  test('thermostats in parallel have their labels among the tags', async () => {
    const made = await api()
      .post('/api/jobs')
      .send({ name: 'Two', site: 'Barn', template: 'parallel-thermostats' });
    const { id } = made.body as { id: string };
    const { body } = await api().get(`/api/jobs/${id}/papers/tags.pdf`).responseType('blob').expect(200);
    const { text } = await pdfParse(body as Buffer);
    const said = text.replace(/\s+/g, ' ');
    for (const name of ['Thermostat ', 'Second thermostat '])
      expect(said).toContain(`${name}${PARALLEL_LABEL}`);
  });

  test('tags and the diagram, with a code that opens the job', async () => {
    const id = await newJob();
    expect(
      pages((await api().get(`/api/jobs/${id}/papers/tags.pdf`).responseType('blob').expect(200)).body),
    ).toBe(1);
    expect(
      pages((await api().get(`/api/jobs/${id}/papers/diagram.pdf`).responseType('blob').expect(200)).body),
    ).toBeGreaterThanOrEqual(2);
    const svg = await api()
      .get(`/api/jobs/${id}/papers/diagram.svg?symbols=blade`)
      .responseType('blob')
      .expect(200);
    const text = Buffer.from(svg.body as Buffer).toString();
    expect(text).toContain(`/job/${id}</text>`);
    expect(text).toMatch(/As it stands, revision 1/);
    await api().get(`/api/jobs/${id}/papers/diagram.svg?symbols=runes`).expect(422);
    await api().get('/api/jobs/none/papers/tags.pdf').expect(404);
  });
});
