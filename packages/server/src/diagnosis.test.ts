import type { KeptDiagnosis } from '@zygostat/core/diagnose';
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
        .send({ name: 'Loft', site: 'Orchard barn', template: 'furnace-ac' })
        .expect(201)
    ).body as { id: string }
  ).id;

const diagnosis: KeptDiagnosis = {
  version: 2,
  observed: [
    {
      id: 'one',
      at: '2026-11-27T10:00:00.000Z',
      observation: { type: 'air', state: 'cool', air: 'plain' },
    },
  ],
  whereabouts: { Ada: { station: 'hall', open: [], state: 'cool' } },
};

test('a diagnosis begins with none, is saved and put away', async () => {
  const id = await newJob();
  const path = `/api/jobs/${id}/diagnosis`;
  expect((await api().get(path).expect(200)).body).toEqual({ number: 0, diagnosis: null });
  await api().put(path).send({ base: 0, diagnosis }).expect(200);
  expect((await api().get(path)).body).toEqual({ number: 1, diagnosis });
  await api().put(path).send({ base: 1, diagnosis: null }).expect(200);
  expect((await api().get(path)).body).toEqual({ number: 2, diagnosis: null });
});

const [seen] = diagnosis.observed;
const withSeen = (observation: unknown) => ({ ...diagnosis, observed: [{ ...seen, observation }] });

test.each<[string, unknown, RegExp]>([
  ['of another version', { ...diagnosis, version: 3 }, /version must be 2/],
  ['of no kind', withSeen({ type: 'smell' }), /must be an observation of type/],
  [
    'a reading beyond any meter',
    withSeen({
      type: 'reading',
      state: 'cool',
      probes: { mode: 'ac-volts', red: 'board.Y', black: 'board.C', meter: 'high-z' },
      value: 24000,
    }),
    /value must be at most 1000 V/,
  ],
  ['air that is none', withSeen({ type: 'air', state: 'cool', air: 'sweet' }), /air must be one of/],
  [
    'with a stray field',
    withSeen({ type: 'air', state: 'cool', air: 'plain', note: '' }),
    /unknown field note/,
  ],
])('%s is refused, naming the field', async (_what, given, words) => {
  const { body } = await api()
    .put(`/api/jobs/${await newJob()}/diagnosis`)
    .send({ base: 0, diagnosis: given })
    .expect(422);
  expect(JSON.stringify(body)).toMatch(words);
});
