/** Every test begins in a browser where nothing waits from the test before it. */
import { clear, createStore } from 'idb-keyval';

beforeEach(() => clear(createStore('zygostat', 'unsent')));
