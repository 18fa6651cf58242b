/** A browser that keeps nothing must not cost what is kept elsewhere, nor say that it keeps. */
import { act, renderHook } from '@testing-library/react';
import { createElement } from 'react';
import type { PropsWithChildren } from 'react';
import { Provider } from 'react-redux';
import { startJobs } from '../features/job/start';
import { makeStore } from '../store';
import { lyingUnder } from '../testing/left';
import { until } from '../testing/until';
import { happened } from './happened';
import { useKept, waitingAs } from './slice';

afterEach(() => jest.restoreAllMocks());

test('something new is seen once it lies on the disk, or is known not to; what takes its place at once', async () => {
  const store = makeStore();
  await startJobs(store);
  const wrapper = ({ children }: PropsWithChildren) => createElement(Provider, { store, children });
  const { result } = renderHook(useKept, { wrapper });
  const seen = () => result.current.map(({ value }) => value);
  const put = (id: string, value: number) =>
    act(() => store.dispatch(happened({ type: 'put', name: 'picture', id, owner: 'job', value, at: 1 })));
  put('a', 1);
  expect(waitingAs(store.getState(), 'picture', 'a')?.value).toBe(1);
  expect(seen()).toEqual([]);
  await act(() => until(() => seen().length === 1));
  expect(await lyingUnder('picture')).toEqual([['a', 1]]);
  put('a', 2);
  expect(seen()).toEqual([2]);
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new Error('full');
  });
  put('b', 3);
  await act(() => until(() => seen().length === 2));
  expect(result.current.find(({ id }) => id === 'b')).toMatchObject({ isKept: false });
});
