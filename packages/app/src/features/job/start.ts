/** Makes a store ready for jobs, once: what it holds of the open one, what listens to it, what an earlier visit left. */
import { combineReducers } from '@reduxjs/toolkit';
import { takeOverEarlier } from '../../documents/earlier';
import { syncing } from '../../documents/sync';
import type { Store } from '../../store';
import { firstReducers } from '../../store/root';
import { keepingBench } from '../bench/keeping';
import { circuitDocument } from '../circuit/saving';
import { changesOutbox } from '../jobs/outbox';
import { diagnosisDocument } from '../find/document';
import { planDocument } from '../plan/document';
import { followingUndo } from '../plan/undo';
import { readingsOutbox } from '../readings/outbox';
import { recordOutbox } from '../record/outbox';
import { buildingDocument } from '../site/document';
import { surveyDocument } from '../survey/document';
import { jobReducers } from './reducers';

const started = new WeakMap<Store, Promise<void>>();

async function start(store: Store): Promise<void> {
  store.replaceReducer(combineReducers({ ...firstReducers, ...jobReducers }));
  const sending = [
    syncing(circuitDocument),
    surveyDocument.sending(),
    planDocument.sending(),
    diagnosisDocument.sending(),
    buildingDocument.sending(),
    readingsOutbox.sending(),
    changesOutbox.sending(),
    recordOutbox.sending(),
  ];
  const listeners = [...sending.flatMap((one) => one.listeners), keepingBench(), followingUndo()];
  for (const listener of listeners) store.dispatch(listener);
  await takeOverEarlier();
  for (const { wake } of sending) store.dispatch(wake);
}

/** Resolves when jobs can be opened. */
export function startJobs(store: Store): Promise<void> {
  const known = started.get(store) ?? start(store);
  started.set(store, known);
  return known;
}
