/** Notes and the name of a job, written by two at once: neither is lost. */
import request from 'supertest';
import { makeTestServer } from './testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);

test('what somebody else wrote meanwhile is not written over, and a line is added under whatever is there', async () => {
  const made = await request(app)
    .post('/api/jobs')
    .send({ name: 'Loft', site: 'Mill', template: 'boiler' })
    .expect(201);
  const change = (body: object) =>
    request(app)
      .patch(`/api/jobs/${(made.body as { id: string }).id}`)
      .send(body);
  await change({ notes: 'Ada was here', was: { notes: '' } }).expect(200);
  const { body } = await change({ notes: 'Bo was here', was: { notes: '' } }).expect(409);
  expect((body as { detail: string }).detail).toMatch(/notes to “Ada was here”\. Yours was not saved/);
  // The same by both is the same.
  await change({ notes: 'Ada was here', was: { notes: '' } }).expect(200);
  await change({ name: 'Loft, east', was: { name: 'Attic' } }).expect(409);
  for (const addNote of ['Fuse replaced', 'Float cleaned']) await change({ addNote }).expect(200);
  const { body: job } = await change({ addNote: 'x'.repeat(1990) }).expect(200);
  const { notes } = job as { notes: string };
  // The oldest give way.
  expect(notes.length).toBeLessThanOrEqual(2000);
  expect(notes).toMatch(/x{1990}$/);
  expect((await change({ isAway: false }).expect(200)).body).toMatchObject({ notes, name: 'Loft' });
});
