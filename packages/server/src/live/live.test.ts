/** Who has a job open is told what others change, and nothing else. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { makeTestServer } from '../testing/server';

const { app, stop } = makeTestServer();
let server: Server;
let url: string;

beforeAll(async () => {
  server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  stop();
});

/** Listens as a browser does; what it was told, in order. */
async function listen(id: string, page: string, name = '', owner = 'jobs') {
  const end = new AbortController();
  const answer = await fetch(
    `${url}/api/${owner}/${id}/stream?page=${page}&name=${encodeURIComponent(name)}`,
    {
      signal: end.signal,
    },
  );
  const told: { event: string; data: unknown }[] = [];
  const read = async () => {
    let text = '';
    const decoder = new TextDecoder();
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      text += decoder.decode(chunk, { stream: true });
      for (let at = text.indexOf('\n\n'); at >= 0; at = text.indexOf('\n\n')) {
        const [, event, data] = /^event: (\w+)\ndata: (.*)$/.exec(text.slice(0, at)) ?? [];
        if (event) told.push({ event, data: JSON.parse(data!) as unknown });
        text = text.slice(at + 2);
      }
    }
  };
  void read().catch(() => undefined);
  return { status: answer.status, told, leave: () => end.abort() };
}

const until = async (holds: () => boolean) => {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(holds()).toBe(true);
};

async function newJob(): Promise<string> {
  const { body } = await request(app)
    .post('/api/jobs')
    .send({ name: 'Live', site: 'Quince orchard', template: 'furnace-ac' });
  return (body as { id: string }).id;
}

test('tells what was changed and on which page, of this job alone; a refused change is none', async () => {
  const [id, other] = [await newJob(), await newJob()];
  const ear = await listen(id, 'page-one');
  const entry = (text: string) => ({
    id: `entry-${text}`,
    at: '2028-11-05T09:00:00.000Z',
    by: 'Ada',
    body: { type: 'note', text },
  });
  const write = (job: string, text: string, page: string) =>
    request(app).post(`/api/jobs/${job}/record`).set('X-Zygostat-Page', page).send(entry(text));
  await write(other, 'elsewhere', 'page-two');
  await write(id, '', 'page-two').expect(422);
  await write(id, 'here', 'page-two').expect(201);
  await request(app).patch(`/api/jobs/${id}`).send({ notes: 'x' }).expect(200);
  await request(app).get(`/api/jobs/${id}`).expect(200);
  await until(() => ear.told.length === 3);
  expect(ear.told.slice(1)).toEqual([
    { event: 'changed', data: { what: 'record', page: 'page-two' } },
    { event: 'changed', data: { what: 'job', page: '' } },
  ]);
  ear.leave();
});

test('tells who is there as they come and go', async () => {
  const id = await newJob();
  const ada = await listen(id, 'page-ada', 'Ada Quill');
  const bo = await listen(id, 'page-bo', 'Bo');
  await until(() => ada.told.length === 2);
  bo.leave();
  await until(() => ada.told.length === 3);
  const here = ada.told.map(({ data }) => (data as { name: string }[]).map(({ name }) => name));
  expect(here).toEqual([['Ada Quill'], ['Ada Quill', 'Bo'], ['Ada Quill']]);
  ada.leave();
});

test('needs a job that is there and a page with a name', async () => {
  expect((await listen('none', 'page')).status).toBe(404);
  expect((await listen(await newJob(), '')).status).toBe(422);
});

test('a site is told of its building, and nobody of what only computes', async () => {
  const id = await newJob();
  const { body } = await request(app).get(`/api/jobs/${id}`);
  const { siteId } = body as { siteId: string };
  const [site, job] = [await listen(siteId, 'page-site', '', 'sites'), await listen(id, 'page-job')];
  const csv = (await request(app).get(`/api/jobs/${id}/schedule.csv`)).text;
  await request(app).post(`/api/jobs/${id}/schedule?mode=merge`).type('text/csv').send(csv).expect(200);
  const building = { units: [], detectors: [], stations: [], thermostats: [], air: [] };
  await request(app).put(`/api/sites/${siteId}/building`).send({ base: 0, building }).expect(200);
  await request(app).patch(`/api/jobs/${id}`).send({ notes: 'x' }).expect(200);
  await until(() => site.told.length === 2 && job.told.length === 2);
  expect(site.told[1]).toEqual({ event: 'changed', data: { what: 'building', page: '' } });
  expect(job.told[1]).toEqual({ event: 'changed', data: { what: 'job', page: '' } });
  site.leave();
  job.leave();
});
