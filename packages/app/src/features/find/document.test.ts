import { keep } from '../../documents/keep';
import { makeStore } from '../../store';
import { startJobs } from '../job/start';
import { diagnosisDocument } from './document';

const seen = (id: string) => ({
  id,
  at: '2026-11-27T10:00:00.000Z',
  observation: { type: 'air', state: 'cool', air: 'plain' } as const,
});
const diagnosis = (...ids: string[]) => ({
  version: 1 as const,
  observed: ids.map(seen),
  whereabouts: { station: 'hall', open: [], state: 'cool' },
});

/** What stands when this was kept here and that is on the server. */
async function opened(kept: unknown, saved: unknown, base = 3) {
  globalThis.fetch = (async (input: Request) =>
    Response.json(input.method === 'GET' ? { number: 3, diagnosis: saved } : { number: 4 })) as typeof fetch;
  const store = makeStore();
  await startJobs(store);
  await keep('diagnosis', 'job', { base, value: kept });
  await store.dispatch(diagnosisDocument.open('job'));
  return store.getState().diagnosis.value;
}

test('what was seen here and in another tab counts, each once', async () => {
  const both = await opened(diagnosis('a', 'b'), diagnosis('a', 'c'), 2);
  expect(both?.observed.map(({ id }) => id)).toEqual(['a', 'c', 'b']);
});

test('one begun in one tab only stands', async () => {
  expect((await opened(diagnosis('a'), null, 2))?.observed.map(({ id }) => id)).toEqual(['a']);
});

test('what is no diagnosis is not taken up', async () => {
  expect(await opened({ version: 9 }, diagnosis('c'))).toEqual(diagnosis('c'));
});
