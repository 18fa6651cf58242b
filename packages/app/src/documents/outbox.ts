/** What is told the server once, such as a reading: kept here until it has answered, then sent again by itself, in its order. */
import { addListener, createAction } from '@reduxjs/toolkit';
import { isFinal, problemOf } from '../store/api';
import { told } from '../store/notice';
import { untilAskedAgain } from './backoff';
import { forget, keep, refuse } from './keep';
import type { Dispatch, Sending } from './sync';
import { UNREADABLE } from './sync';
import type { Waiting } from './waiting';
import {
  arrived,
  isMoreBehind,
  isOvertaking,
  isSame,
  missed,
  ownerOf,
  waitingAs,
  whatWaits,
} from './waiting';

/** Most that is sent at once. */
const MOST = 100;

interface Posted<T> {
  name: string;
  /** What was kept here, checked; `undefined` when it is none. */
  read: (given: unknown) => T | undefined;
  /** @param isMore - another of the same job is sent right after it: lists are asked for again after the last. */
  send: (dispatch: Dispatch, body: T, isMore: boolean) => Promise<{ error?: unknown }>;
  /** Several of one job in their order, where the server takes them so: how many it took, and what is against the next. */
  sendAll?: (dispatch: Dispatch, bodies: readonly T[]) => Promise<{ taken: number; error?: unknown }>;
}

/** What became of something that was told. */
type Delivered = { type: 'taken' | 'kept' } | { type: 'refused'; detail: string };

const KEPT = 'No answer: it is kept here and sent when there is';
const BEHIND = 'Kept here, and sent after what was done before it';
const FULL = 'No answer, and this browser has no room to keep it: leave this page open until it is sent';

export function outbox<T>({ name, read, send, sendAll }: Posted<T>) {
  const waits = createAction(`${name}/waits`);
  /** What is being kept and sent at this moment is not sent a second time beside it. */
  const underWay = new Set<string>();

  async function alone<R>(ids: readonly string[], act: () => Promise<R>): Promise<R> {
    for (const id of ids) underWay.add(id);
    try {
      return await act();
    } finally {
      for (const id of ids) underWay.delete(id);
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
    const { error } = await send(dispatch, body, false);
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
        missed(name, key);
        return { type: 'kept' };
      }
      const delivered = await alone([key], () => tell(dispatch, key, body));
      if (delivered.type === 'kept') dispatch(waits());
      return delivered;
    };

  const stillOpen = () => whatWaits().filter((one) => one.name === name && one.refused === undefined);

  /** Meanwhile it may have been sent from elsewhere, or refused in a run. */
  function isStillOpen({ id }: Pick<Waiting, 'id'>): boolean {
    const now = waitingAs(name, id);
    return now !== undefined && now.refused === undefined;
  }

  /** What waits together with one: itself, and what comes right behind it of its job, where the server takes several at once. */
  function runFrom(first: Waiting, open: readonly Waiting[]): readonly Waiting[] {
    if (!sendAll) return [first];
    const behind = open
      .slice(open.indexOf(first))
      .filter((one) => ownerOf(one) === ownerOf(first))
      .slice(0, MOST);
    const end = behind.findIndex(
      ({ id, value }) => underWay.has(id) || !isStillOpen({ id }) || read(value) === undefined,
    );
    return end < 0 ? behind : behind.slice(0, end);
  }

  async function sendRun(
    run: readonly Waiting[],
    dispatch: Dispatch,
  ): Promise<{ taken: number; error?: unknown }> {
    const bodies = run.map(({ value }) => read(value)!);
    if (sendAll && bodies.length > 1) return sendAll(dispatch, bodies);
    const { error } = await send(dispatch, bodies[0]!, isMoreBehind(run[0]!));
    return error === undefined ? { taken: 1 } : { taken: 0, error };
  }

  /** Sends a run; `false` where it is to be sent again later. */
  async function sendOff(run: readonly Waiting[], dispatch: Dispatch): Promise<boolean> {
    // As it was when it was sent: what it came too early for may have arrived since.
    const wasOvertaking = run.map((one) => isOvertaking(one, run));
    const { taken: count, error } = await sendRun(run, dispatch);
    await Promise.all(run.slice(0, count).map(taken));
    const next = run[count];
    if (error === undefined || !next) return true;
    const { status, detail } = problemOf(error);
    if (!isFinal(status) || wasOvertaking[count]) {
      missed(name, next.id);
      return false;
    }
    await refuse(name, next.id, detail);
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
        const silent = new Set<string>();
        const open = stillOpen();
        for (const waiting of open) {
          if (!isStillOpen(waiting)) continue;
          const owner = ownerOf(waiting);
          if (silent.has(owner)) missed(name, waiting.id);
          if (held.has(owner)) continue;
          if (underWay.has(waiting.id)) {
            held.add(owner);
            continue;
          }
          if (read(waiting.value) === undefined) {
            await refuse(name, waiting.id, UNREADABLE);
            continue;
          }
          const run = runFrom(waiting, open);
          const ids = run.map(({ id }) => id);
          if (await alone(ids, () => sendOff(run, dispatch as Dispatch))) tries = 0;
          else for (const all of [held, silent]) all.add(owner);
        }
        if (stillOpen().length === 0) return;
        if (held.size > 0) await untilAskedAgain(tries, delay);
      }
    },
  });
  return { name, post, deliver, sending: (): Sending => ({ listeners: [sending], wake: waits() }) };
}
