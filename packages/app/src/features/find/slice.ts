/** What of a search shows outside its pane: where the suspicion lies, and a practice, which is nothing of the job. */
import type { Draft, PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { KeptDiagnosis, Suspect } from '@zygostat/core/diagnose';
import { traceOpened } from '../trace/slice';

/** A search for a fault that a bench meter hides: on its own ground, and never in a document of the job. */
export interface Practice {
  jobId: string;
  /** The bench meter. */
  meter: string;
  diagnosis: KeptDiagnosis;
}

interface FindState {
  /** The job a search is shown for. */
  jobId: string | null;
  suspects: readonly Suspect[];
  /** Devices proven good. */
  cleared: readonly string[];
  practice: Practice | null;
  /** The call that a complaint would be of, where a test of it just failed. */
  call: 'fan' | 'heat' | 'cool' | 'off' | null;
}

const none: FindState = { jobId: null, suspects: [], cleared: [], practice: null, call: null };

const find = createSlice({
  name: 'find',
  initialState: none,
  reducers: {
    suspectsShown: (
      state,
      { payload }: PayloadAction<Pick<FindState, 'jobId' | 'suspects' | 'cleared'>>,
    ) => ({ ...state, ...payload }),
    callMeant: (state, { payload }: PayloadAction<FindState['call']>) => {
      state.call = payload;
    },
    practised: (state, { payload }: PayloadAction<Practice | null>) => {
      state.practice = payload as Draft<Practice> | null;
    },
  },
  extraReducers: (builder) => {
    // What is suspected on one job is nothing to the next.
    builder.addCase(traceOpened, (state) => ({ ...none, practice: state.practice }));
  },
});

export const { suspectsShown, callMeant, practised } = find.actions;
export const findReducer = find.reducer;
