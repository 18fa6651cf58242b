/** A document that exists only here: declared once in the core's list, and everything that handles documents takes it. */
import type { DocumentKind } from '@zygostat/core/documents';
import { DOCUMENTS, mergeDocuments } from '@zygostat/core/documents';
import { fields, set, value } from '@zygostat/core/merge';
import request from 'supertest';
import { makeTestServer } from './testing/server';

interface Shopping {
  shop: string;
  items: string[];
}

const isShopping = (given: unknown): given is Shopping =>
  typeof given === 'object' && given !== null && Array.isArray((given as Partial<Shopping>).items);

const shopping: DocumentKind<Shopping> = {
  owner: 'jobs',
  name: 'shopping',
  empty: { shop: '', items: [] },
  part: fields({ shop: value(), items: set() }),
  // Version 1 was a list alone.
  readIn: (given) => (Array.isArray(given) ? { shop: '', items: given as string[] } : given),
  problems: (given) => (isShopping(given) ? [] : [{ path: 'items', message: 'must be a list' }]),
};

(DOCUMENTS as unknown as Record<string, DocumentKind<Shopping>>).shopping = shopping;
const { app, stop } = makeTestServer();
afterAll(stop);

test('it is saved, refused by its field, read in, put together, and goes out with its job and comes back', async () => {
  const { body } = await request(app)
    .post('/api/jobs')
    .send({ name: 'Loft', site: 'Orchard barn', template: 'furnace-ac' });
  const { id } = body as { id: string };
  const at = `/api/jobs/${id}/shopping`;
  expect((await request(app).get(at)).body).toEqual({ number: 0, shopping: shopping.empty });
  const refused = await request(app).put(at).send({ base: 0, shopping: 'fuse' }).expect(422);
  expect((refused.body as { detail: string }).detail).toBe('shopping.items must be a list');
  await request(app)
    .put(at)
    .send({ base: 0, save: 'save-one', shopping: ['fuse'] })
    .expect(200);
  const base = { shop: '', items: ['fuse'] };
  expect((await request(app).get(at)).body).toEqual({ number: 1, shopping: base });
  const both = mergeDocuments(shopping, base, { ...base, items: [] }, { ...base, items: ['fuse', 'float'] });
  expect(both).toEqual({ value: { shop: '', items: ['float'] }, clashes: [] });
  await request(app).put(at).send({ base: 1, shopping: both.value }).expect(200);

  const bundle = await request(app).get(`/api/jobs/${id}/bundle.zip`).responseType('blob').expect(200);
  const other = makeTestServer();
  try {
    await request(other.app)
      .post('/api/bundles')
      .type('application/zip')
      .send(bundle.body as Buffer)
      .expect(201);
    expect((await request(other.app).get(at)).body).toEqual({ number: 2, shopping: both.value });
  } finally {
    other.stop();
  }
});
