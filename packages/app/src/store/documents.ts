/**
 * Saves a document of the open job (its survey, its plan) as it changes: keeps it in the browser until the
 * server has it, asks again when the server is silent, and never overwrites what another tab has saved.
 */
import type { UnknownAction } from '@reduxjs/toolkit';
import { problemOf } from './api';
import type { Listen } from './listeners';
import type { AppDispatch, RootState } from './root';

const SETTLE_MS = 300;
const RETRY_MS = 3000;

/** How far a document of the open job has been saved. */
export interface Saved<T> {
  jobId: string | null;
  /** Save this one builds on. */
  base: number;
  value: T;
  state: 'saved' | 'saving' | 'waiting';
}

export interface Documents<T> {
  changes: (action: UnknownAction) => boolean;
  of: (state: RootState) => Saved<T>;
  /** Keeps the document in this browser; `undefined` forgets it. */
  keep: (jobId: string, kept: { base: number; value: T } | undefined) => void;
  send: (
    dispatch: AppDispatch,
    jobId: string,
    base: number,
    value: T,
  ) => Promise<{ data?: { number: number }; error?: unknown }>;
  saved: (change: Partial<Pick<Saved<T>, 'base' | 'state'>>) => UnknownAction;
  /** Another tab was first: takes up what is there and puts on top what can be. */
  overtaken: (dispatch: AppDispatch, jobId: string, value: T) => Promise<void>;
}

export function saveDocuments<T>(
  listen: Listen,
  { changes, of, keep, send, saved, overtaken }: Documents<T>,
): void {
  listen({
    predicate: (action) => changes(action as UnknownAction),
    effect: async (_action, { getState, dispatch, delay }) => {
      const { jobId } = of(getState());
      if (jobId === null) return;
      const keepNow = () => {
        const { base, value } = of(getState());
        keep(jobId, { base, value });
      };
      keepNow();
      if (of(getState()).state !== 'saved') return;
      dispatch(saved({ state: 'saving' }));
      await delay(SETTLE_MS);
      while (of(getState()).jobId === jobId) {
        const { base, value } = of(getState());
        const { data, error } = await send(dispatch, jobId, base, value);
        if (of(getState()).jobId !== jobId) return;
        if (data) {
          const newest = of(getState()).value === value;
          dispatch(saved({ base: data.number, state: newest ? 'saved' : 'saving' }));
          if (newest) return keep(jobId, undefined);
          keepNow();
          continue;
        }
        if (problemOf(error).status === 409) return overtaken(dispatch, jobId, value);
        dispatch(saved({ state: 'waiting' }));
        await delay(RETRY_MS);
      }
    },
  });
}
