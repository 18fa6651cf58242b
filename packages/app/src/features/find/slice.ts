/** What of a search shows outside its pane: where the suspicion lies, and the meter of a practice. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Suspect } from '@zygostat/core/diagnose';
import { traceOpened } from '../trace/slice';

interface FindState {
  /** The job a search is shown for. */
  jobId: string | null;
  suspects: readonly Suspect[];
  /** Devices proven good. */
  cleared: readonly string[];
  /** A bench meter with a hidden fault, while practising on this job. */
  meter: { jobId: string; id: string } | null;
  /** The call that a complaint would be of, where a test of it just failed. */
  call: 'fan' | 'heat' | 'cool' | 'off' | null;
}

const none: FindState = { jobId: null, suspects: [], cleared: [], meter: null, call: null };

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
    meterHeld: (state, { payload }: PayloadAction<FindState['meter']>) => {
      state.meter = payload;
    },
  },
  extraReducers: (builder) => {
    // What is suspected on one job is nothing to the next.
    builder.addCase(traceOpened, (state) => ({ ...none, meter: state.meter }));
  },
});

export const { suspectsShown, callMeant, meterHeld } = find.actions;
export const findReducer = find.reducer;
