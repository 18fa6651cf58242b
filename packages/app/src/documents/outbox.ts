/** What is told the server once, such as a reading: kept here until it has answered, then sent again by itself, in its order. */
import { addListener, createAction } from '@reduxjs/toolkit';
import { isFinal, problemOf } from '../store/api';
import { told } from '../store/notice';
import { untilAskedAgain } from './backoff';
import { forget, keep, refuse } from './keep';
import type { Dispatch, Sending } from './sync';
import { UNREADABLE } from './sync';
import type { Waiting } from './waiting';
import { arrived, isOvertaking, isSame, missed, ownerOf, waitingAs, whatWaits } from './waiting';

interface Posted<T> {
  name: string;
  /** What was kept here, checked; `undefined` when it is none. */
  read: (given: unknown) => T | undefined;
  send: (dispatch: Dispatch, body: T) => Promise<{ error?: unknown }>;
}

/** What became of something that was told. */
type Delivered = { type: 'taken' | 'kept' } | { type: 'refused'; detail: string };

const KEPT = 'No answer: it is kept here and sent when there is';
const BEHIND = 'Kept here, and sent after what was done before it';
const FULL = 'No answer, and this browser has no room to keep it: leave this page open until it is sent';

export function outbox<T>({ name, read, send }: Posted<T>) {
  const waits = createAction(`${name}/waits`);
  /** What is being kept and sent at this moment is not sent a second time beside it. */
  const underWay = new Set<string>();

  async function alone<R>(id: string, act: () => Promise<R>): Promise<R> {
    underWay.add(id);
    try {
      return await act();
    } finally {
      underWay.delete(id);
    }
  }

  /** Keeps something to be sent, and says whether it is kept. What waits under the same key is taken in by it. */
  const post = (key: string, body: T) => async (dispatch: Dispatch) => {
    const earlier = read(waitingAs(name, key)?.value);
    const isKept = await keep(name, key, { ...earlier, ...body });
    dispatch(waits());
    return isKept;
  };

  /** Shows it from here until the server's own list has it, and keeps it no longer; unless more of it came meanwhile. */
  async function taken(waiting: Waiting): Promise<void> {
    const { id, value } = waiting;
    if (isSame(waitingAs(name, id)?.value, value)) arrived(waiting);
    await forget(name, id, value);
  }

  async function tell(dispatch: Dispatch, key: string, body: T): Promise<Delivered> {
    // Kept before it is sent: a page that is closed in that moment loses nothing.
    const isKept = await keep(name, key, body);
    // This very one: another may have taken its place while it was being kept.
    const waiting = { ...waitingAs(name, key)!, value: body };
    const wasOvertaking = isOvertaking(waiting);
    const { error } = await send(dispatch, body);
    if (error === undefined) {
      await taken(waiting);
      return { type: 'taken' };
    }
    const { status, detail } = problemOf(error);
    if (isFinal(status) && !wasOvertaking) {
      await forget(name, key, body);
      return { type: 'refused', detail };
    }
    missed(name, key);
    dispatch(told(!isKept ? FULL : isFinal(status) ? BEHIND : KEPT));
    return { type: 'kept' };
  }

  /** Keeps it and tells the server at once; without an answer, or where something before it waits for one, it is sent later. */
  const deliver =
    (key: string, body: T) =>
    async (dispatch: Dispatch): Promise<Delivered> => {
      const owner = ownerOf({ id: key, value: body });
      const isBehind = whatWaits().some((one) => one.isSilent && !one.refused && ownerOf(one) === owner);
      if (isBehind || waitingAs(name, key)) {
        dispatch(told((await dispatch(post(key, body))) ? BEHIND : FULL));
        return { type: 'kept' };
      }
      const delivered = await alone(key, () => tell(dispatch, key, body));
      if (delivered.type === 'kept') dispatch(waits());
      return delivered;
    };

  /** Sends one; `false` where it is to be sent again later. */
  async function sendOne(waiting: Waiting, dispatch: Dispatch): Promise<boolean> {
    const { id, value } = waiting;
    const body = read(value);
    if (body === undefined) {
      await refuse(name, id, UNREADABLE);
      return true;
    }
    // As it was when it was sent: what it came too early for may have arrived since.
    const wasOvertaking = isOvertaking(waiting);
    const { error } = await send(dispatch, body);
    if (error === undefined) {
      await taken(waiting);
      return true;
    }
    const { status, detail } = problemOf(error);
    if (!isFinal(status) || wasOvertaking) {
      missed(name, id);
      return false;
    }
    await refuse(name, id, detail);
    dispatch(told(`Not taken: ${detail}`));
    return true;
  }

  const sending = addListener({
    actionCreator: waits,
    effect: async (_action, { dispatch, delay, cancelActiveListeners }) => {
      cancelActiveListeners();
      for (let tries = 0; ; tries++) {
        // Each job in its order; one that has to wait holds up no other.
        const held = new Set<string>();
        const open = whatWaits().filter((one) => one.name === name && one.refused === undefined);
        for (const waiting of open) {
          // Meanwhile it may have been sent from elsewhere.
          if (held.has(ownerOf(waiting)) || !waitingAs(name, waiting.id)) continue;
          const isFree = !underWay.has(waiting.id);
          if (isFree && (await alone(waiting.id, () => sendOne(waiting, dispatch as Dispatch)))) tries = 0;
          else held.add(ownerOf(waiting));
        }
        if (!whatWaits().some((one) => one.name === name && one.refused === undefined)) return;
        if (held.size > 0) await untilAskedAgain(tries, delay);
      }
    },
  });
  return { name, post, deliver, sending: (): Sending => ({ listeners: [sending], wake: waits() }) };
}
