/** Makes a store ready for jobs, once: what it holds of the open one, what listens to it, what an earlier visit left. */
import { combineReducers } from '@reduxjs/toolkit';
import { takeOverEarlier } from '../../documents/earlier';
import { readWaiting } from '../../documents/keep';
import type { Sending } from '../../documents/sync';
import { asideOf, syncing } from '../../documents/sync';
import { sayUnanswered } from '../../model/whyOf';
import type { Store } from '../../store';
import { told } from '../../store/notice';
import { firstReducers } from '../../store/root';
import { keepingBench } from '../bench/keeping';
import { circuitDocument } from '../circuit/saving';
import { jobsOutbox } from '../jobs/begun';
import { keepingSteps } from '../circuit/steps';
import { changesOutbox } from '../jobs/outbox';
import { diagnosisDocument } from '../find/document';
import { planDocument } from '../plan/document';
import { followingUndo } from '../plan/undo';
import { photosOutbox, showWaitingPhotos } from '../photos/outbox';
import { readingsOutbox } from '../readings/outbox';
import { recordOutbox } from '../record/outbox';
import { buildingDocument } from '../site/document';
import { buzzing } from '../settings/buzzing';
import { surveyDocument } from '../survey/document';
import { jobReducers } from './reducers';

const DOCUMENTS = [surveyDocument, planDocument, diagnosisDocument, buildingDocument];
const OUTBOXES = [jobsOutbox, readingsOutbox, changesOutbox, photosOutbox, recordOutbox];
const NAMES = [circuitDocument, ...DOCUMENTS, ...OUTBOXES].map(({ name }) => name);

let waking: readonly Sending[] = [];

const started = new WeakMap<Store, Promise<void>>();

async function start(store: Store): Promise<void> {
  store.replaceReducer(combineReducers({ ...firstReducers, ...jobReducers }));
  const sending = [syncing(circuitDocument), ...[...DOCUMENTS, ...OUTBOXES].map((one) => one.sending())];
  const listeners = [
    ...sending.flatMap((one) => one.listeners),
    keepingBench(),
    keepingSteps(),
    followingUndo(),
    buzzing(),
  ];
  for (const listener of listeners) store.dispatch(listener);
  sayUnanswered((words) => store.dispatch(told(words)));
  await takeOverEarlier();
  await readWaiting(NAMES.flatMap((name) => [name, asideOf(name)]));
  showWaitingPhotos();
  waking = sending;
  for (const { wake } of sending) store.dispatch(wake);
}

/** Tries all that waits once more. */
export async function sendAgain(store: Store): Promise<void> {
  await startJobs(store);
  window.dispatchEvent(new Event('online'));
  for (const { wake } of waking) store.dispatch(wake);
}

/** Resolves when jobs can be opened. */
export function startJobs(store: Store): Promise<void> {
  const known = started.get(store) ?? start(store);
  started.set(store, known);
  return known;
}
