/** Saves every edit as a revision, keeps it here until the server has it, and never overwrites another tab. */
import { isAnyOf } from '@reduxjs/toolkit';
import type { Circuit } from '@zygostat/core/circuit';
import { api, problemOf } from './api';
import { answered, conditionsSet, controlSet, meterSet, probePlaced, supplySet } from './bench';
import { dropDraft, keepBench, keepDraft, keepSettings } from './kept';
import type { Listen } from './listeners';
import type { AppDispatch } from './root';
import { settingsChosen } from './settings';
import { REDO, UNDO, edited, saveChanged } from './work';

/** Edits in quick succession become one revision, ms. */
const SETTLE_MS = 300;
/** How long to wait before asking a silent server again, ms. */
const RETRY_MS = 3000;

/** Saves the present circuit on top of the revision it is based on. */
export const saveRequested = { type: 'saving/requested' } as const;

type Outcome =
  { kind: 'saved'; number: number } | { kind: 'conflict' | 'refused' | 'silent'; detail: string };

const same = (one: Circuit, other: Circuit) => JSON.stringify(one) === JSON.stringify(other);

/** Sends one revision and says what became of it. */
async function send(
  dispatch: AppDispatch,
  revision: { id: string; base: number; circuit: Circuit; note: string },
): Promise<Outcome> {
  const { data, error } = await dispatch(api.endpoints.saveRevision.initiate(revision));
  if (data) return { kind: 'saved', number: data.number };
  const { status, detail } = problemOf(error);
  if (status === 409) {
    // The newest revision may be this very circuit: sent before, and only the answer lost.
    const newest = await dispatch(
      api.endpoints.openJob.initiate(revision.id, { forceRefetch: true, subscribe: false }),
    );
    return newest.data && same(newest.data.circuit, revision.circuit)
      ? { kind: 'saved', number: newest.data.revision }
      : { kind: 'conflict', detail };
  }
  const final = status >= 400 && status < 500 && status !== 429;
  return { kind: final ? 'refused' : 'silent', detail };
}

const changesCircuit = (action: { type: string }) =>
  isAnyOf(edited)(action) || [UNDO, REDO, saveRequested.type].includes(action.type);

const saveRevisions = (listen: Listen) =>
  listen({
    predicate: changesCircuit,
    effect: async (action, { getState, getOriginalState, dispatch, delay }) => {
      const { jobId } = getState().saving;
      if (jobId === null) return;
      // A step of the landing list that leaves the circuit as it is can be undone, but is no revision.
      const isAsked = action.type === saveRequested.type;
      if (!isAsked && getOriginalState().edits.present.circuit === getState().edits.present.circuit) return;
      const keep = () => {
        const { circuit, note } = getState().edits.present;
        if (circuit) keepDraft(jobId, { base: getState().saving.base, circuit, note });
      };
      keep();
      // A save under way goes on until the newest circuit is acknowledged.
      if (['conflict', 'saving', 'waiting'].includes(getState().saving.state)) return;
      dispatch(saveChanged({ state: 'saving', detail: '' }));
      await delay(SETTLE_MS);
      while (getState().saving.jobId === jobId) {
        const { circuit, note } = getState().edits.present;
        if (!circuit) return;
        const outcome = await send(dispatch, { id: jobId, base: getState().saving.base, circuit, note });
        if (getState().saving.jobId !== jobId) return;
        if (outcome.kind === 'saved') {
          const newest = getState().edits.present.circuit === circuit;
          dispatch(saveChanged({ base: outcome.number, state: newest ? 'saved' : 'saving', detail: '' }));
          if (newest) return dropDraft(jobId, circuit);
          keep();
          continue;
        }
        dispatch(
          saveChanged({
            state: outcome.kind === 'silent' ? 'waiting' : outcome.kind,
            detail: outcome.detail,
          }),
        );
        if (outcome.kind !== 'silent') return;
        await delay(RETRY_MS);
      }
    },
  });

/** The bench is kept as it stands, so that a job opens where it was left. */
const keepBenches = (listen: Listen) =>
  listen({
    matcher: isAnyOf(answered, controlSet, conditionsSet, supplySet, probePlaced, meterSet),
    effect: async (_action, listener) => {
      listener.cancelActiveListeners();
      await listener.delay(SETTLE_MS);
      const { saving, bench } = listener.getState();
      if (saving.jobId !== null) keepBench(saving.jobId, bench);
    },
  });

/** Saves what is worked on, and keeps what is left standing. */
export function saveWork(listen: Listen): void {
  saveRevisions(listen);
  keepBenches(listen);
  listen({
    actionCreator: settingsChosen,
    effect: (_action, { getState }) => keepSettings(getState().settings),
  });
}
