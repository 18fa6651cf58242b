/** Every test begins in a browser where nothing waits from the test before it. */
import { clear, createStore } from 'idb-keyval';
import { forgetWaiting } from '../documents/waiting';

beforeEach(async () => {
  forgetWaiting();
  await clear(createStore('zygostat', 'unsent'));
});
