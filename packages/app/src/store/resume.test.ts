import { makeStore } from '.';
import { forgetOpen, keepOpen, resume, takeResumed, wasResumed } from './resume';

const store = makeStore();
const at = (address: string) => window.history.replaceState(null, '', address);
const address = () => window.location.pathname + window.location.search;

const openedAt = (given: string): string => {
  at(given);
  resume(store);
  return address();
};

afterEach(() => {
  jest.useRealTimers();
  forgetOpen(store);
});

test('by the icon one is back where one was, in its view, until the job is left', () => {
  keepOpen('/job/a-1/plan?view=sums');
  expect(openedAt('/?from=icon')).toBe('/job/a-1/plan?view=sums');
  expect(wasResumed(store)).toBe(true);
  expect([takeResumed(store), takeResumed(store)]).toEqual([true, false]);
  forgetOpen(store);
  expect(wasResumed(store)).toBe(false);
  expect(openedAt('/?from=icon')).toBe('/');
});

test('by any other address one goes there', () => {
  keepOpen('/job/a-1');
  for (const asked of ['/', '/?search=pump', '/site/b', '/job/c?view=path'])
    expect(openedAt(asked)).toBe(asked);
  expect(wasResumed(store)).toBe(false);
});

test('after a working day it begins with the list', () => {
  keepOpen('/job/a-1');
  jest.useFakeTimers({ now: Date.now() + 13 * 3_600_000 });
  expect(openedAt('/?from=icon')).toBe('/');
});

test('what is kept is not trusted', () => {
  for (const kept of ['{', '"x"', '{"path":7,"at":1}', `{"path":"//elsewhere","at":${Date.now()}}`]) {
    localStorage.setItem('zygostat.1.open', kept);
    expect(openedAt('/?from=icon')).toBe('/');
  }
});
