/** Saves every edit as a revision, keeps it here until the server has it, and never overwrites another tab. */
import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { api, problemOf } from './api';
import { keepBench, keepDraft, keepTheme } from './kept';
import type { RootState } from './index';
import { themeChosen } from './settings';
import { answered, controlSet, meterSet, probePlaced } from './bench';
import { REDO, UNDO, edited, saveChanged } from './work';

/** Edits in quick succession become one revision, ms. */
const SETTLE_MS = 300;
/** How long to wait before asking a silent server again, ms. */
const RETRY_MS = 3000;

export const listeners = createListenerMiddleware();

/** Saves the present circuit on top of the revision it is based on. */
export const saveRequested = { type: 'saving/requested' } as const;

const changesCircuit = (action: { type: string }) =>
  isAnyOf(edited)(action) ||
  action.type === UNDO ||
  action.type === REDO ||
  action.type === saveRequested.type;

listeners.startListening({
  predicate: (action) => changesCircuit(action as { type: string }),
  effect: async (_action, listener) => {
    const state = () => listener.getState() as RootState;
    const { jobId } = state().saving;
    const keep = () => {
      const { circuit, note } = state().edits.present;
      if (jobId && circuit) keepDraft(jobId, { base: state().saving.base, circuit, note });
    };
    keep();
    // A save under way goes on until the newest circuit is acknowledged.
    if (['conflict', 'saving', 'waiting'].includes(state().saving.state)) return;
    listener.dispatch(saveChanged({ state: 'saving', detail: '' }));
    await listener.delay(SETTLE_MS);
    for (;;) {
      const { circuit, note } = state().edits.present;
      const { jobId: now, base } = state().saving;
      if (!jobId || !circuit || now !== jobId) return;
      const request = listener.dispatch(
        api.endpoints.saveRevision.initiate({ id: jobId, base, circuit, note }) as never,
      ) as unknown as Promise<{
        data?: { number: number };
        error?: unknown;
      }>;
      const { data, error } = await request;
      if (data) {
        const current = state().edits.present.circuit === circuit;
        listener.dispatch(saveChanged({ base: data.number, state: current ? 'saved' : 'saving' }));
        if (!current) {
          keep();
          continue;
        }
        keepDraft(jobId, undefined);
        return;
      }
      const problem = problemOf(error);
      if (problem.status === 409)
        return void listener.dispatch(saveChanged({ state: 'conflict', detail: problem.detail }));
      if (problem.status !== 0 && problem.status < 500 && problem.status !== 429)
        return void listener.dispatch(saveChanged({ state: 'refused', detail: problem.detail }));
      listener.dispatch(saveChanged({ state: 'waiting', detail: problem.detail }));
      await listener.delay(RETRY_MS);
    }
  },
});

listeners.startListening({
  matcher: isAnyOf(answered, controlSet, probePlaced, meterSet),
  effect: async (_action, listener) => {
    listener.cancelActiveListeners();
    await listener.delay(SETTLE_MS);
    const { saving, bench } = listener.getState() as RootState;
    if (saving.jobId) keepBench(saving.jobId, bench);
  },
});

listeners.startListening({
  actionCreator: themeChosen,
  effect: ({ payload }) => keepTheme(payload),
});
