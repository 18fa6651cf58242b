/** What is told the server once, such as a reading: kept here until it has answered, then sent again by itself. */
import { addListener, createAction } from '@reduxjs/toolkit';
import { problemOf } from '../store/api';
import { told } from '../store/notice';
import { untilAskedAgain } from './backoff';
import { forget, keep, kept, keptUnder } from './keep';
import type { Dispatch, Sending } from './sync';

interface Posted<T> {
  name: string;
  /** What was kept here, checked; `undefined` when it is none. */
  read: (given: unknown) => T | undefined;
  send: (dispatch: Dispatch, body: T) => Promise<{ error?: unknown }>;
}

export function outbox<T>({ name, read, send }: Posted<T>) {
  const waits = createAction(`${name}/waits`);

  /** Keeps something to be sent, and says whether it is kept. What waits under the same key is taken in by it. */
  const post = (key: string, body: T) => async (dispatch: Dispatch) => {
    const earlier = read(await kept(name, key));
    const isKept = await keep(name, key, { ...earlier, ...body });
    dispatch(waits());
    return isKept;
  };

  const sending = addListener({
    actionCreator: waits,
    effect: async (_action, { dispatch, delay, cancelActiveListeners }) => {
      cancelActiveListeners();
      let tries = 0;
      for (let [first] = await keptUnder(name); first; [first] = await keptUnder(name)) {
        const [key, found] = first;
        const body = read(found);
        const { error = undefined } = body === undefined ? {} : await send(dispatch as Dispatch, body);
        if (error !== undefined && problemOf(error).status === 0) {
          await untilAskedAgain(tries++, delay);
          continue;
        }
        tries = 0;
        await forget(name, key, found);
        // What it refuses is said and let go.
        if (error !== undefined) dispatch(told(`Not kept: ${problemOf(error).detail}`));
      }
    },
  });
  return { post, sending: (): Sending => ({ listeners: [sending], wake: waits() }) };
}
