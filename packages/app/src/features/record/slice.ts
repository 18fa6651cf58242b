/** What of the record shows outside its place: entries that wait to be sent, and who writes. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import { readKept, writeKept } from '../../store/storage';
import type { NewEntry } from './api';

interface RecordState {
  waiting: readonly NewEntry[];
  /** Who writes on this device. */
  by: string;
}

const KEY = 'by';

const keptName = () => {
  const kept = readKept(KEY);
  return typeof kept === 'string' ? kept : '';
};

const record = createSlice({
  name: 'record',
  initialState: (): RecordState => ({ waiting: [], by: keptName() }),
  reducers: {
    entryWaits: (state, { payload }: PayloadAction<NewEntry>) => {
      state.waiting = [...state.waiting, payload];
    },
    writerNamed: (state, { payload }: PayloadAction<string>) => {
      state.by = payload;
    },
  },
});

export const { entryWaits, writerNamed } = record.actions;
export const recordReducer = record.reducer;

export const keepWriter = (by: string) => writeKept(KEY, by);
