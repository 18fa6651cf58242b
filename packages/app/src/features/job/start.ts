/** Makes a store ready for jobs, once: what it holds of the open one, what listens to it, what an earlier visit left. */
import { allDocuments } from '../../documents/all';
import { happened } from '../../documents/happened';
import { startSync } from '../../documents/start';
import { sayUnanswered } from '../../model/whyOf';
import type { Store } from '../../store';
import { told } from '../../store/notice';
import { keepingBench } from '../bench/keeping';
import { savingCircuit } from '../circuit/saving';
import { keepingSteps } from '../circuit/steps';
import '../jobs/begun';
import '../jobs/outbox';
import { followingUndo } from '../plan/undo';
import { showWaitingPhotos } from '../photos/outbox';
import '../readings/outbox';
import '../record/outbox';
import { buzzing } from '../settings/buzzing';
import { jobReducers } from './reducers';

const started = new WeakMap<Store, Promise<void>>();

async function start(store: Store): Promise<void> {
  for (const [reducerPath, reducer] of Object.entries(jobReducers))
    store.inject({ reducerPath, reducer } as Parameters<Store['inject']>[0]);
  // A reducer that was put in has its state from the next action on.
  store.dispatch({ type: 'job/ready' });
  const listeners = [
    savingCircuit(),
    ...allDocuments().map((document) => document.sending()),
    keepingBench(),
    keepingSteps(),
    followingUndo(),
    buzzing(),
  ];
  for (const listener of listeners) store.dispatch(listener);
  sayUnanswered((words) => store.dispatch(told(words)));
  await store.dispatch(startSync());
  showWaitingPhotos(store.getState());
}

/** Tries all that waits once more. */
export async function sendAgain(store: Store): Promise<void> {
  await startJobs(store);
  store.dispatch(happened({ type: 'online' }));
}

/** Resolves when jobs can be opened. */
export function startJobs(store: Store): Promise<void> {
  const known = started.get(store) ?? start(store);
  started.set(store, known);
  return known;
}
