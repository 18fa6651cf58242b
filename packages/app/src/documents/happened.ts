/** Whatever happens to what waits: it goes through the core's `step`, and what is to be done about it is done here. */
import { nanoid } from '@reduxjs/toolkit';
import type { Delivered, Effect, SyncEvent } from '@zygostat/core/sync';
import { keyOf, step } from '@zygostat/core/sync';
import { syncText } from '@zygostat/core/words';
import { told } from '../store/notice';
import type { Own } from '../store/own';
import { pauseAfter } from './again';
import { askedOf } from './asked';
import { erase, lay } from './keep';
import type { Dispatch } from './senders';
import { documentSender, sortsKnown, toldSender } from './senders';
import { stepped, syncIn } from './slice';

/** Changes in quick succession are sent as one, ms. */
const SETTLE_MS = 300;

/** Who waits to hear what becomes of something, by its key. */
const listenersOf = () => new Map<string, (outcome: Delivered) => void>();

type Run = { dispatch: Dispatch; getState: () => unknown; own: Own };

/** Something happened: what waits is changed by it, and what follows is done. */
export const happened =
  (event: SyncEvent) =>
  (dispatch: Dispatch, getState: () => unknown, own: Own): void => {
    const { state, effects } = step(sortsKnown(own), syncIn(getState()), event);
    dispatch(stepped(state));
    for (const effect of effects) take(effect, { dispatch, getState, own });
  };

function take(effect: Effect, { dispatch, getState, own }: Run): void {
  switch (effect.type) {
    case 'write': {
      const { item } = effect;
      const key = keyOf(item);
      void lay(item).then((isKept) =>
        dispatch(happened({ type: 'written', key, version: item.version, isKept })),
      );
      return;
    }
    case 'erase':
      return void erase(effect);
    case 'save': {
      const { lane, name, id, draft } = effect;
      void documentSender(own, name)!
        .save(dispatch, id, draft)
        .then((outcome) => dispatch(happened({ type: 'saved', lane, outcome, save: nanoid() })));
      return;
    }
    case 'tell': {
      const { lane, items, isMore } = effect;
      void toldSender(own, items[0]!.name)!
        .tell(dispatch, items, isMore)
        .then((outcome) => dispatch(happened({ type: 'told', lane, outcome })));
      return;
    }
    case 'wait': {
      const { lane, tries } = effect;
      const pause = tries === 'settle' ? SETTLE_MS : pauseAfter(tries);
      setTimeout(() => dispatch(happened({ type: 'due', lane })), pause);
      return;
    }
    case 'show':
      return documentSender(own, effect.name)!.show(dispatch, getState, effect.id, effect.saved);
    case 'progress':
      return documentSender(own, effect.name)!.progress(dispatch, getState, effect.id, effect.progress);
    case 'ask': {
      const { name, id, clashes } = effect;
      const found = syncIn(getState()).items[keyOf({ name: askedOf(name), id })];
      const value = [...((found?.value ?? []) as unknown[]), ...clashes];
      dispatch(happened({ type: 'put', name: askedOf(name), id, owner: id, value, at: Date.now() }));
      return;
    }
    case 'read':
      return void dispatch(readAnew(effect.name, effect.id));
    case 'delivered':
      own(listenersOf).get(effect.key)?.(effect.outcome);
      own(listenersOf).delete(effect.key);
      return;
    case 'say':
      dispatch(told(syncText(effect.word, effect.detail ?? '')));
  }
}

/** Reads the newest of a document and shows it, with what is not sent yet on top. */
export const readAnew =
  (name: string, id: string) =>
  async (dispatch: Dispatch, getState: () => unknown, own: Own): Promise<boolean> => {
    const newest = await documentSender(own, name)!.newest(dispatch, getState, id);
    dispatch(happened({ type: 'read', name, id, newest, save: nanoid() }));
    return newest !== null;
  };

/** Puts something to be told, and resolves when it is known what became of it. */
export const delivered =
  (put: Omit<Extract<SyncEvent, { type: 'put' }>, 'type' | 'at' | 'isAsked'>) =>
  (dispatch: Dispatch, _getState: () => unknown, own: Own): Promise<Delivered> =>
    new Promise((resolve) => {
      const key = keyOf(put);
      const listeners = own(listenersOf);
      const before = listeners.get(key);
      listeners.set(key, (outcome) => {
        before?.(outcome);
        resolve(outcome);
      });
      dispatch(happened({ type: 'put', ...put, at: Date.now(), isAsked: true }));
    });
