/** What waits is sent in its order, once, and lost to nothing: refusals, another version, a clock put back, no room. */
import type { addListener } from '@reduxjs/toolkit';
import { makeStore } from '../store';
import { forget, keep, keptUnder, readWaiting } from './keep';
import { outbox } from './outbox';
import { forgetWaiting, whatWaits } from './waiting';
import { until } from '../testing/until';

interface Line {
  jobId: string;
  text: string;
}

type Answer = { error?: unknown };
const SILENT: Answer = { error: { status: 'FETCH_ERROR' } };
const refusedAs = (status: number, detail: string): Answer => ({
  error: { data: { status, title: '', detail } },
});

/** An outbox whose server answers as told; what it was sent, in order. */
function box(answer: (line: Line, tries: number) => Answer) {
  const sent: string[] = [];
  const lines = outbox<Line>({
    name: 'line',
    read: (given) => (typeof (given as Line | null)?.text === 'string' ? (given as Line) : undefined),
    send: (_dispatch, line) => {
      sent.push(line.text);
      return Promise.resolve(answer(line, sent.length));
    },
  });
  const store = makeStore();
  const { listeners, wake } = lines.sending();
  for (const listener of listeners) store.dispatch(listener as ReturnType<typeof addListener>);
  return { lines, store, sent, wake: () => store.dispatch(wake) };
}

/** The same, with signal coming and going meanwhile. */
const untilOnline = (holds: () => boolean) =>
  until(() => {
    window.dispatchEvent(new Event('online'));
    return holds();
  });

afterEach(() => jest.restoreAllMocks());

test('each job in the order it was written, whatever the ids and the clock say', async () => {
  const { store, sent, wake } = box(() => ({}));
  const clock = jest.spyOn(Date, 'now');
  for (const [i, [id, at]] of (
    [
      ['zz', 9_000_000_000_000],
      ['aa', 1_000],
      ['mm', 500],
    ] as const
  ).entries()) {
    clock.mockReturnValue(at);
    await keep('line', id, { jobId: 'job', text: `line ${i}` });
  }
  // A new page knows the order from what is kept.
  forgetWaiting();
  await readWaiting(['line']);
  wake();
  await until(() => sent.length === 3);
  expect(sent).toEqual(['line 0', 'line 1', 'line 2']);
  await until(() => whatWaits().length === 0);
  expect(await keptUnder('line')).toEqual([]);
  expect(store.getState().notice).toBeNull();
});

test('a job that has to wait holds up no other', async () => {
  const { lines, store, sent } = box(({ jobId }) => (jobId === 'far' ? SILENT : {}));
  await store.dispatch(lines.post('a', { jobId: 'far', text: 'far 1' }));
  await store.dispatch(lines.post('b', { jobId: 'far', text: 'far 2' }));
  await store.dispatch(lines.post('c', { jobId: 'near', text: 'near' }));
  await until(() => sent.includes('near'));
  expect(sent).not.toContain('far 2');
  // What waits behind it is counted among what waits.
  const waits = () => whatWaits().map(({ id, isSilent }) => [id, isSilent]);
  await untilOnline(() => waits().every(([, isSilent]) => isSilent));
  expect(waits()).toEqual([
    ['a', true],
    ['b', true],
  ]);
});

test('where the server takes several at once they go so, and what it refuses of them holds up none', async () => {
  const runs: string[][] = [];
  const lines = outbox<Line>({
    name: 'run',
    read: (given) => given as Line,
    send: () => Promise.reject(new Error('one at a time was not asked for')),
    sendAll: (_dispatch, sent) => {
      runs.push(sent.map(({ text }) => text));
      const bad = sent.findIndex(({ text }) => text === 'bad');
      return Promise.resolve(bad < 0 ? { taken: sent.length } : { taken: bad, ...refusedAs(422, 'not so') });
    },
  });
  const store = makeStore();
  for (const [i, text] of ['one', 'two', 'bad', 'three', 'four'].entries())
    await keep('run', `${i}`, { jobId: 'job', text });
  await keep('run', 'x', { jobId: 'elsewhere', text: 'one' });
  await keep('run', 'y', { jobId: 'elsewhere', text: 'two' });
  const { listeners, wake } = lines.sending();
  for (const listener of listeners) store.dispatch(listener as ReturnType<typeof addListener>);
  store.dispatch(wake);
  await until(() => runs.length === 3);
  expect(runs).toEqual([
    ['one', 'two', 'bad', 'three', 'four'],
    ['three', 'four'],
    ['one', 'two'],
  ]);
  await until(() => whatWaits().length === 1);
  expect(whatWaits().map(({ id, refused }) => [id, refused])).toEqual([['2', 'not so']]);
});

test('of several sent at once, what overtakes another sort of thing of its job is asked again after that', async () => {
  let isThere = false;
  const runs: number[] = [];
  const lines = outbox<Line>({
    name: 'run',
    read: (given) => given as Line,
    send: () => Promise.resolve(isThere ? {} : refusedAs(422, 'no such photograph')),
    sendAll: (_dispatch, sent) => {
      runs.push(sent.length);
      return Promise.resolve(
        isThere ? { taken: sent.length } : { taken: 1, ...refusedAs(422, 'no such photograph') },
      );
    },
  });
  await keep('run', 'a', { jobId: 'job', text: 'before it' });
  await keep('photograph', 'p', { jobId: 'job' });
  await keep('run', 'b', { jobId: 'job', text: 'of the photograph' });
  const store = makeStore();
  const { listeners, wake } = lines.sending();
  for (const listener of listeners) store.dispatch(listener as ReturnType<typeof addListener>);
  store.dispatch(wake);
  await until(() => runs.length > 0 && whatWaits().length === 2);
  expect(whatWaits().map(({ refused }) => refused)).toEqual([undefined, undefined]);
  isThere = true;
  await forget('photograph', 'p', { jobId: 'job' });
  await untilOnline(() => whatWaits().length === 0);
});

test('what is refused while something before it of its job is on its way is asked again after that', async () => {
  await keep('circuit', 'job', { base: 1, value: 'a circuit' });
  let isThere = false;
  const { lines, store, sent } = box(() => (isThere ? {} : refusedAs(422, 'no such device')));
  expect(await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'bypassed' }))).toEqual({
    type: 'kept',
  });
  isThere = true;
  await forget('circuit', 'job', { base: 1, value: 'a circuit' });
  await untilOnline(() => whatWaits().length === 0);
  expect(sent.length).toBeGreaterThan(1);
});

test('it is kept before it is sent: a page closed in that moment loses nothing', async () => {
  const { store } = box(() => ({}));
  const lying: unknown[] = [];
  const watched = outbox<Line>({
    name: 'line',
    read: () => undefined,
    send: async () => {
      lying.push(...(await keptUnder('line')));
      return {};
    },
  });
  expect(await store.dispatch(watched.deliver('a', { jobId: 'job', text: 'x' }))).toEqual({ type: 'taken' });
  expect(lying).toEqual([['a', { jobId: 'job', text: 'x' }]]);
  expect(await keptUnder('line')).toEqual([]);
});

test('of two under one key in one breath the later is what the server has in the end', async () => {
  const { lines, store, sent } = box(() => ({}));
  await Promise.all(['one', 'two'].map((text) => store.dispatch(lines.deliver('a', { jobId: 'job', text }))));
  await untilOnline(() => whatWaits().length === 0);
  expect(sent.at(-1)).toBe('two');
});

test('what is written while something before it waits goes behind it', async () => {
  let answers = false;
  const { lines, store, sent } = box(() => (answers ? {} : SILENT));
  await store.dispatch(lines.deliver('z', { jobId: 'job', text: 'first' }));
  answers = true;
  await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'second' }));
  await untilOnline(() => whatWaits().length === 0);
  expect(sent.slice(-2)).toEqual(['first', 'second']);
});

test('what is asked to be sent while it is still being kept is sent once', async () => {
  const { lines, store, sent, wake } = box(() => ({}));
  const delivered = store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  wake();
  expect(await delivered).toEqual({ type: 'taken' });
  await until(() => whatWaits().length === 0);
  expect(sent).toEqual(['x']);
});

test("what is sent while an earlier visit's is still being read does not wait a second time", async () => {
  let reading = Promise.resolve();
  const { lines, store, sent, wake } = box(() => {
    reading = readWaiting(['line']);
    return {};
  });
  await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  await reading;
  wake();
  expect(whatWaits()).toEqual([]);
  expect(sent).toEqual(['x']);
});

test('what is refused for good stays, with why, until somebody decides', async () => {
  const { lines, store, wake } = box((_line, tries) => (tries === 1 ? SILENT : refusedAs(422, 'too long')));
  await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  await untilOnline(() => whatWaits()[0]?.refused === 'too long');
  wake();
  forgetWaiting();
  await readWaiting(['line']);
  expect(whatWaits()).toMatchObject([{ id: 'a', value: { text: 'x' }, refused: 'too long' }]);
});

test('what another version wrote is neither sent nor thrown away', async () => {
  const { sent, wake } = box(() => ({}));
  await keep('line', 'a', { jobId: 'job', words: 'of a later version' });
  wake();
  await until(() => whatWaits()[0]?.refused !== undefined);
  expect(sent).toEqual([]);
  expect(await keptUnder('line')).toEqual([['a', { jobId: 'job', words: 'of a later version' }]]);
});

test('signed out it waits for a sign-in; a fault of the server is no refusal', async () => {
  const { lines, store } = box((_line, tries) => refusedAs([401, 500, 429][tries - 1] ?? 503, 'later'));
  expect(await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }))).toEqual({ type: 'kept' });
  expect(whatWaits()).toMatchObject([{ id: 'a' }]);
  expect(whatWaits()[0]?.refused).toBeUndefined();
});

test('where there is no room it is said, and sent all the same while the page is open', async () => {
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new Error('full');
  });
  const { lines, store, sent } = box((_line, tries) => (tries < 3 ? SILENT : {}));
  await store.dispatch(lines.deliver('a', { jobId: 'job', text: 'x' }));
  expect(whatWaits()).toMatchObject([{ id: 'a', isKept: false }]);
  expect(store.getState().notice).toMatch(/no room/);
  await untilOnline(() => whatWaits().length === 0);
  expect(sent).toEqual(['x', 'x', 'x']);
});
