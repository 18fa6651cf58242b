/** Who writes in the record on this device. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import { readKept, writeKept } from '../../store/storage';

interface RecordState {
  by: string;
  /** Devices of the open job that are bypassed: the model is asked about the circuit with them so. */
  bypassed: readonly string[];
}

const KEY = 'by';

const keptName = () => {
  const kept = readKept(KEY);
  return typeof kept === 'string' ? kept : '';
};

const record = createSlice({
  name: 'record',
  initialState: (): RecordState => ({ by: keptName(), bypassed: [] }),
  reducers: {
    writerNamed: (state, { payload }: PayloadAction<string>) => {
      state.by = payload;
    },
    bypassedKnown: (state, { payload }: PayloadAction<readonly string[]>) => {
      state.bypassed = [...payload];
    },
  },
});

export const { bypassedKnown, writerNamed } = record.actions;
export const recordReducer = record.reducer;

export const keepWriter = (by: string) => writeKept(KEY, by);
