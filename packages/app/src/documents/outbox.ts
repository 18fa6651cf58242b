/** What is told the server once, such as a reading: kept here until it has answered, then sent again by itself, in its order. */
import type { Delivered, ToldOutcome } from '@zygostat/core/sync';
import { keyOf } from '@zygostat/core/sync';
import { isFinal, problemOf } from '../store/api';
import { delivered, happened } from './happened';
import type { Dispatch, Sender } from './senders';
import { syncIn, waitingAs } from './slice';

/** Most that is sent at once. */
const MOST = 100;

interface Posted<T> {
  name: string;
  /** The job it is of. */
  ownerOf: (body: T) => string;
  /** What was kept here, checked; `undefined` when it is none. */
  read: (given: unknown) => T | undefined;
  /** @param isMore - another of the same job is sent right after it: lists are asked for again after the last. */
  send: (dispatch: Dispatch, body: T, isMore: boolean) => Promise<{ error?: unknown }>;
  /** Several of one job in their order, where the server takes them so: how many it took, and what is against the next. */
  sendAll?: (dispatch: Dispatch, bodies: readonly T[]) => Promise<{ taken: number; error?: unknown }>;
}

const outcomeOf = ({ taken, error }: { taken: number; error?: unknown }): ToldOutcome => {
  if (error === undefined) return { taken };
  const { status, detail } = problemOf(error);
  return { taken, error: { isFinal: isFinal(status), detail } };
};

export function outbox<T>({ name, ownerOf, read, send, sendAll }: Posted<T>) {
  const sender: Sender = {
    name,
    sort: { type: 'told', most: sendAll ? MOST : 1, isReadable: (value) => read(value) !== undefined },
    tell: async (dispatch, items, isMore) => {
      const bodies = items.map(({ value }) => read(value)!);
      if (sendAll && bodies.length > 1) return outcomeOf(await sendAll(dispatch, bodies));
      const { error } = await send(dispatch, bodies[0]!, isMore);
      return outcomeOf({ taken: error === undefined ? 1 : 0, error });
    },
  };

  /** Keeps something to be sent. What waits under the same key is taken in by it. */
  const post =
    (key: string, body: T) =>
    (dispatch: Dispatch, getState: () => unknown): void => {
      const earlier = read(waitingAs(getState(), name, key)?.value);
      const value = { ...earlier, ...body };
      dispatch(happened({ type: 'put', name, id: key, owner: ownerOf(value), value, at: Date.now() }));
    };

  /** Keeps it and tells the server at once; without an answer, or where something before it waits for one, it is sent later. */
  const deliver =
    (key: string, body: T) =>
    (dispatch: Dispatch): Promise<Delivered> =>
      dispatch(delivered({ name, id: key, owner: ownerOf(body), value: body }));

  /** Lets go of something that waits. */
  const letGo =
    (key: string) =>
    (dispatch: Dispatch, getState: () => unknown): void => {
      const at = keyOf({ name, id: key });
      if (at in syncIn(getState()).items) dispatch(happened({ type: 'let-go', key: at }));
    };

  return { name, sender, post, deliver, letGo };
}
