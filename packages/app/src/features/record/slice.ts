/** Who writes in the record on this device. */
import type { Draft, PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Bypass } from '@zygostat/core/record';
import { readKept, writeKept } from '../../store/storage';

interface RecordState {
  by: string;
  /** Devices of the open job that are bypassed: the model is asked about the circuit with them so. */
  bypassed: readonly string[];
  /** The job that was left, by whatever way, with a safety bypassed that nobody had taken over; who watches is asked then. */
  left: LeftBehind | null;
  /** The job whose person has said already who watches. */
  answered: string | null;
}

interface LeftBehind {
  jobId: string;
  bypasses: readonly Bypass[];
  /** What they are called. */
  labels: string;
}

const KEY = 'by';

const keptName = () => {
  const kept = readKept(KEY);
  return typeof kept === 'string' ? kept : '';
};

const record = createSlice({
  name: 'record',
  initialState: (): RecordState => ({ by: keptName(), bypassed: [], left: null, answered: null }),
  reducers: {
    writerNamed: (state, { payload }: PayloadAction<string>) => {
      state.by = payload;
    },
    bypassedKnown: (state, { payload }: PayloadAction<readonly string[]>) => {
      state.bypassed = [...payload];
    },
    jobEntered: (state, { payload }: PayloadAction<string>) => {
      state.answered = null;
      if (state.left?.jobId === payload) state.left = null;
    },
    jobLeft: (state, { payload }: PayloadAction<LeftBehind>) => {
      if (state.answered !== payload.jobId) state.left = payload as Draft<LeftBehind>;
    },
    watchAnswered: (state, { payload }: PayloadAction<string>) => {
      state.answered = payload;
      state.left = null;
    },
  },
});

export const { bypassedKnown, jobEntered, jobLeft, watchAnswered, writerNamed } = record.actions;
export const recordReducer = record.reducer;

export const keepWriter = (by: string) => writeKept(KEY, by);
