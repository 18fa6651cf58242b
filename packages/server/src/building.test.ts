/** A site with its building: saved on top of the newest only, carried by a bundle, refused by field. */
import request from 'supertest';
import { EMPTY_BUILDING } from '@zygostat/core/building';
import { makeTestServer } from './testing/server';

const servers = [makeTestServer(), makeTestServer()] as const;
afterAll(() => servers.forEach(({ stop }) => stop()));
const [{ app }, { app: other }] = servers;

interface Job {
  id: string;
  siteId: string;
}

const newJob = async (name: string): Promise<Job> =>
  (await request(app).post('/api/jobs').send({ name, site: 'Old creamery', template: 'rooftop-loop' }))
    .body as Job;

const building = {
  ...EMPTY_BUILDING,
  units: [{ id: 'rtu1', label: 'RTU 1', serves: 'Hall', found: '', job: null, looks: { belt: 'wrong' } }],
};

test('a site holds several jobs and one building; a bundle carries both', async () => {
  const [one, two] = [await newJob('North unit'), await newJob('South unit')];
  expect(two.siteId).toBe(one.siteId);
  const { body: site } = await request(app).get(`/api/sites/${one.siteId}`).expect(200);
  expect(site).toMatchObject({ name: 'Old creamery', jobs: [{ id: two.id }, { id: one.id }] });

  const path = `/api/sites/${one.siteId}/building`;
  expect((await request(app).get(path).expect(200)).body).toEqual({ number: 0, building: EMPTY_BUILDING });
  await request(app).put(path).send({ base: 0, building }).expect(200);
  const stale = await request(app).put(path).send({ base: 0, building: EMPTY_BUILDING }).expect(409);
  expect(stale.body).toMatchObject({ latest: 1 });

  const zip = await request(app).get(`/api/sites/${one.siteId}/bundle.zip`).responseType('blob').expect(200);
  await request(other)
    .post('/api/bundles')
    .set('Content-Type', 'application/zip')
    .send(zip.body as Buffer)
    .expect(201);
  const { body: carried } = await request(other).get(path).expect(200);
  expect(carried).toEqual({ number: 1, building });
});

test('what is no building is refused by field, and nothing is changed', async () => {
  const { siteId } = await newJob('West unit');
  const wrong = { ...building, units: [{ ...building.units[0], looks: { belt: 'gone' } }] };
  const { body } = await request(app)
    .put(`/api/sites/${siteId}/building`)
    .send({ base: 1, building: wrong })
    .expect(422);
  expect((body as { detail: string }).detail).toBe(
    'building.units[0].looks.belt must be one of fine, wrong, none',
  );
  await request(app).get('/api/sites/moon').expect(404);
  await request(app).get('/api/sites/moon/building').expect(404);
});
