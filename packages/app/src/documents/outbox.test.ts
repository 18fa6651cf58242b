/** What waits is sent in its order, once, and lost to nothing: refusals, another version, a clock put back, no room. */
import { keyOf } from '@zygostat/core/sync';
import { startJobs } from '../features/job/start';
import { makeStore } from '../store';
import { leftTold, lyingUnder } from '../testing/left';
import { until } from '../testing/until';
import { happened } from './happened';
import { outbox } from './outbox';
import { sendsWith } from './senders';
import { whatWaits } from './slice';

interface Line {
  jobId: string;
  text: string;
}

type Answer = { error?: unknown };
const SILENT: Answer = { error: { status: 'FETCH_ERROR' } };
const refusedAs = (status: number, detail: string): Answer => ({
  error: { data: { status, title: '', detail } },
});
const ownerOf = ({ jobId }: Line) => jobId;

/** An outbox whose server answers as told; what it was sent, in order. */
async function box(answer: (line: Line, tries: number) => Answer) {
  const sent: string[] = [];
  const lines = outbox<Line>({
    name: 'line',
    ownerOf,
    read: (given) => (typeof (given as Line | null)?.text === 'string' ? (given as Line) : undefined),
    send: (_dispatch, line) => {
      sent.push(line.text);
      return Promise.resolve(answer(line, sent.length));
    },
  });
  const store = makeStore();
  stores.push(store);
  sendsWith(store.own, lines.sender);
  await startJobs(store);
  const waiting = () => whatWaits(store.getState());
  return { lines, store, sent, waiting };
}

/** The same, with signal coming and going meanwhile. */
const untilOnline = (holds: () => boolean) =>
  until(() => {
    window.dispatchEvent(new Event('online'));
    return holds();
  });

/** A store of one test must not go on sending in the next. */
const stores: ReturnType<typeof makeStore>[] = [];
afterEach(() => {
  jest.restoreAllMocks();
  for (const store of stores.splice(0))
    for (const one of whatWaits(store.getState()))
      store.dispatch(happened({ type: 'let-go', key: keyOf(one) }));
});

test('what an earlier visit left goes in the order it was written, whatever the ids and the clock say', async () => {
  for (const [i, id] of ['zz', 'aa', 'mm'].entries())
    await leftTold('line', id, 'job', { jobId: 'job', text: `line ${i}` });
  const { store, sent, waiting } = await box(() => ({}));
  await until(() => sent.length === 3);
  expect(sent).toEqual(['line 0', 'line 1', 'line 2']);
  await until(() => waiting().length === 0);
  expect(await lyingUnder('line')).toEqual([]);
  expect(store.getState().notice).toBeNull();
});

test('a job that has to wait holds up no other', async () => {
  const { lines, store, sent, waiting } = await box(({ jobId }) => (jobId === 'far' ? SILENT : {}));
  store.dispatch(lines.post('a', { jobId: 'far', text: 'far 1' }));
  store.dispatch(lines.post('b', { jobId: 'far', text: 'far 2' }));
  store.dispatch(lines.post('c', { jobId: 'near', text: 'near' }));
  await until(() => sent.includes('near'));
  expect(sent).not.toContain('far 2');
  // What waits behind it is counted among what waits.
  await untilOnline(() => waiting().length === 2 && waiting().every(({ isSilent }) => isSilent === true));
});

test('where the server takes several at once they go so, and what it refuses of them holds up none', async () => {
  const runs: string[][] = [];
  const { sender } = outbox<Line>({
    name: 'run',
    ownerOf,
    read: (given) => given as Line,
    send: () => Promise.reject(new Error('one at a time was not asked for')),
    sendAll: (_dispatch, sent) => {
      runs.push(sent.map(({ text }) => text));
      const bad = sent.findIndex(({ text }) => text === 'bad');
      return Promise.resolve(bad < 0 ? { taken: sent.length } : { taken: bad, ...refusedAs(422, 'not so') });
    },
  });
  for (const [i, text] of ['one', 'two', 'bad', 'three', 'four'].entries())
    await leftTold('run', `${i}`, 'job', { jobId: 'job', text });
  const store = makeStore();
  sendsWith(store.own, sender);
  await startJobs(store);
  await until(() => runs.length === 2);
  expect(runs).toEqual([
    ['one', 'two', 'bad', 'three', 'four'],
    ['three', 'four'],
  ]);
  await until(() => whatWaits(store.getState()).length === 1);
  expect(whatWaits(store.getState())).toMatchObject([{ id: '2', refused: 'not so' }]);
});

test('what is refused while something before it of its job is on its way is asked again after that', async () => {
  await leftTold('photograph', 'p', 'job', {});
  let isThere = false;
  const { lines, store, sent, waiting } = await box(() => (isThere ? {} : refusedAs(422, 'no such device')));
  expect(await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'bypassed' }))).toEqual({
    type: 'kept',
  });
  isThere = true;
  store.dispatch(happened({ type: 'let-go', key: 'photograph/p' }));
  await untilOnline(() => waiting().length === 0);
  expect(sent.length).toBeGreaterThan(1);
});

test('it is kept before it is sent: a page closed in that moment loses nothing', async () => {
  const { store } = await box(() => ({}));
  const lying: unknown[] = [];
  const watched = outbox<Line>({
    ...{ name: 'line', ownerOf, read: (given) => given as Line },
    send: async () => {
      lying.push(...(await lyingUnder('line')));
      return {};
    },
  });
  sendsWith(store.own, watched.sender);
  expect(await store.dispatch(watched.deliver('a', { jobId: 'job', text: 'x' }))).toEqual({ type: 'taken' });
  expect(lying).toEqual([['a', { jobId: 'job', text: 'x' }]]);
});

test('of two under one key in one breath the later is what the server has in the end', async () => {
  const { lines, store, sent, waiting } = await box(() => ({}));
  await Promise.all(['one', 'two'].map((text) => store.dispatch(lines.deliver('a', { jobId: 'job', text }))));
  await untilOnline(() => waiting().length === 0);
  expect(sent.at(-1)).toBe('two');
});

test('what is written while something before it waits goes behind it', async () => {
  let answers = false;
  const { lines, store, sent, waiting } = await box(() => (answers ? {} : SILENT));
  await store.dispatch(lines.deliver('z', { jobId: 'job', text: 'first' }));
  answers = true;
  expect(await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'second' }))).toEqual({
    type: 'kept',
  });
  await untilOnline(() => waiting().length === 0);
  expect(sent.slice(-2)).toEqual(['first', 'second']);
});

test('what is refused at once is told to whoever sent it, and kept nowhere', async () => {
  const { lines, store, waiting } = await box(() => refusedAs(422, 'too long'));
  const done = await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  expect(done).toEqual({ type: 'refused', detail: 'too long' });
  expect(waiting()).toEqual([]);
});

test('what is refused for good later stays, with why, until somebody decides', async () => {
  const { lines, store, waiting } = await box((_line, tries) =>
    tries === 1 ? SILENT : refusedAs(422, 'too long'),
  );
  await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  await untilOnline(() => waiting()[0]?.refused === 'too long');
  expect(store.getState().notice).toBe('Not taken: too long');
  // A new page knows of it from the disk.
  const again = makeStore();
  await startJobs(again);
  expect(whatWaits(again.getState())).toMatchObject([{ id: 'a', value: { text: 'x' }, refused: 'too long' }]);
});

test('what another version wrote is neither sent nor thrown away', async () => {
  await leftTold('line', 'a', 'job', { jobId: 'job', words: 'of a later version' });
  const { sent, waiting } = await box(() => ({}));
  await until(() => waiting()[0]?.refused !== undefined);
  expect(sent).toEqual([]);
  expect(await lyingUnder('line')).toEqual([['a', { jobId: 'job', words: 'of a later version' }]]);
});

test('signed out it waits for a sign-in; a fault of the server is no refusal', async () => {
  const { lines, store, waiting } = await box((_line, tries) =>
    refusedAs([401, 500, 429][tries - 1] ?? 503, 'later'),
  );
  expect(await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }))).toEqual({ type: 'kept' });
  expect(waiting()).toMatchObject([{ id: 'a' }]);
  expect(waiting()[0]?.refused).toBeUndefined();
});

test('where there is no room it is said, and sent all the same while the page is open', async () => {
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new Error('full');
  });
  const { lines, store, sent, waiting } = await box((_line, tries) => (tries < 3 ? SILENT : {}));
  await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  expect(waiting()).toMatchObject([{ id: 'a', isKept: false }]);
  expect(store.getState().notice).toMatch(/no room/);
  await untilOnline(() => waiting().length === 0);
  expect(sent).toEqual(['x', 'x', 'x']);
});
