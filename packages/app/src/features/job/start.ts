/** Makes a store ready for jobs, once: what it holds of the open one, what listens to it, what an earlier visit left. */
import { allDocuments } from '../../documents/all';
import { happened } from '../../documents/happened';
import { sendsWith } from '../../documents/senders';
import { startSync } from '../../documents/start';
import { sayUnanswered } from '../../model/whyOf';
import type { Reducer } from '@reduxjs/toolkit';
import type { Store } from '../../store';
import type { JobState } from '../../store/root';
import { answersHere } from '../../store/api';
import { told } from '../../store/notice';
import { keepingBench } from '../bench/keeping';
import { circuitSender, savingCircuit } from '../circuit/saving';
import { keepingSteps } from '../circuit/steps';
import { answerHere, jobsOutbox } from '../jobs/begun';
import { changesOutbox } from '../jobs/outbox';
import { followingUndo } from '../plan/undo';
import { photosOutbox, showWaitingPhotos } from '../photos/outbox';
import { readingsOutbox } from '../readings/outbox';
import { recordOutbox } from '../record/outbox';
import { buzzing } from '../settings/buzzing';
import { jobReducers } from './reducers';

/** Everything that is sent. */
const senders = () => [
  circuitSender,
  ...[...allDocuments(), jobsOutbox, changesOutbox, photosOutbox, readingsOutbox, recordOutbox].map(
    ({ sender }) => sender,
  ),
];

/** A part of the store with its name. */
type Part = {
  [Name in keyof JobState]: { reducerPath: Name; reducer: Reducer<JobState[Name]> };
}[keyof JobState];

const parts = Object.entries(jobReducers).map(([reducerPath, reducer]) => ({ reducerPath, reducer }) as Part);

async function start(store: Store): Promise<void> {
  for (const part of parts) store.inject(part);
  // A reducer that was put in has its state from the next action on.
  store.dispatch({ type: 'job/ready' });
  store.own(answersHere).answer = answerHere;
  for (const sender of senders()) sendsWith(store.own, sender);
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
  showWaitingPhotos(store);
}

/** Tries all that waits once more. */
export async function sendAgain(store: Store): Promise<void> {
  await startJobs(store);
  store.dispatch(happened({ type: 'online' }));
}

/** Resolves when jobs can be opened. */
export const startJobs = (store: Store): Promise<void> => store.own(start);
