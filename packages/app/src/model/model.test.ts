import { startModel, theModel } from './model';
import { Unanswered, sayUnanswered } from './whyOf';
import { startEarly } from './worker';

/** A thread that answers nothing: what its page is told is told by hand. */
class Thread extends EventTarget {
  static started: Thread[] = [];
  ended = false;
  constructor() {
    super();
    Thread.started.push(this);
  }
  postMessage = () => undefined;
  terminate = () => (this.ended = true);
  fail = (message = '') => this.dispatchEvent(new ErrorEvent('error', { message }));
}

Object.assign(globalThis, { Worker: Thread });
beforeEach(() => (Thread.started = []));

test('whoever waits is told when the thread fails, and what is asked next is asked of another', async () => {
  const asked = theModel().warmUp();
  const [first] = Thread.started;
  void theModel();
  expect(Thread.started).toEqual([first]);
  first!.fail();
  await expect(asked).rejects.toThrow('The model did not start.');
  expect(first!.ended).toBe(true);
  void theModel();
  expect(Thread.started).toHaveLength(2);
});

test('a thread that failed before it was wanted is not handed on', async () => {
  startEarly();
  Thread.started[0]!.fail();
  const asked = startModel().model.warmUp();
  expect(Thread.started).toHaveLength(2);
  Thread.started[1]!.fail('out of memory');
  await expect(asked).rejects.toThrow('The model stopped: out of memory');
});

test('what is asked of a thread that has failed already is answered at once', async () => {
  const { model } = startModel();
  Thread.started[0]!.fail();
  await expect(model.warmUp()).rejects.toThrow('The model did not start.');
});

test('what nobody says is said for them; what is none of the model’s is left alone', () => {
  const said: string[] = [];
  sayUnanswered((words) => said.push(words));
  const reject = (reason: Error) => {
    const event = Object.assign(new Event('unhandledrejection', { cancelable: true }), { reason });
    window.dispatchEvent(event);
    return event.defaultPrevented;
  };
  expect(reject(new Unanswered('The model did not start.'))).toBe(true);
  expect(reject(new Error('Of another'))).toBe(false);
  expect(said).toEqual(['The model did not start. Try it once more.']);
});
