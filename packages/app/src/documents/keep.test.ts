/** A browser that keeps nothing must not cost what is kept elsewhere, nor say that it keeps. */
import { act, renderHook } from '@testing-library/react';
import { changesOutbox } from '../features/jobs/outbox';
import { makeStore } from '../store';
import { takeOverEarlier } from './earlier';
import { keep, kept } from './keep';
import { useKept, waitingAs } from './waiting';

afterEach(() => jest.restoreAllMocks());

const full = () =>
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new Error('full');
  });

test('says whether something is kept', async () => {
  expect(await keep('survey', 'a', { base: 1 })).toBe(true);
  expect(await kept('survey', 'a')).toEqual({ base: 1 });
  full();
  expect(await keep('survey', 'b', { base: 1 })).toBe(false);
  expect(await makeStore().dispatch(changesOutbox.post('b', { id: 'b', change: { notes: 'x' } }))).toBe(
    false,
  );
});

test('something new is seen once it lies on the disk, or is known not to; sent it can be before', async () => {
  const { result } = renderHook(useKept);
  const seen = () => result.current.filter(({ name }) => name === 'photo').map(({ value }) => value);
  const keeping = async (value: number) => {
    const done = keep('photo', 'a', { value });
    expect(waitingAs('photo', 'a')?.value).toEqual({ value });
    return done;
  };
  let done: Promise<boolean>;
  // What it shows is drawn at the end of `act`, and the disk takes longer.
  act(() => void (done = keeping(1)));
  expect(seen()).toEqual([]);
  await act(async () => void (await done));
  expect(seen()).toEqual([{ value: 1 }]);
  expect(await kept('photo', 'a')).toEqual({ value: 1 });
  // What takes its place is seen at once: nothing goes away for a moment.
  act(() => void (done = keeping(2)));
  expect(seen()).toEqual([{ value: 2 }]);
  await act(async () => void (await done));
  full();
  await act(async () => void (await keep('photo', 'b', { value: 3 })));
  expect(result.current.find(({ id }) => id === 'b')).toMatchObject({ isKept: false });
});

test('what cannot be taken over stays where it was', async () => {
  localStorage.setItem('zygostat.1.draft.job', JSON.stringify({ base: 2, circuit: { name: 'x' }, note: '' }));
  localStorage.setItem('zygostat.1.unsent', JSON.stringify([{ kind: 'change', id: 'job', change: {} }]));
  full();
  await takeOverEarlier();
  expect(localStorage.getItem('zygostat.1.draft.job')).toMatch(/"base":2/);
  expect(localStorage.getItem('zygostat.1.unsent')).toMatch(/"id":"job"/);
  jest.restoreAllMocks();
  await takeOverEarlier();
  expect(await kept('circuit', 'job')).toEqual({ base: 2, value: { name: 'x' }, note: '' });
  expect(localStorage.getItem('zygostat.1.draft.job')).toBeNull();
  expect(localStorage.getItem('zygostat.1.unsent')).toBeNull();
});
