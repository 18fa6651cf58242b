/** Who writes in the record on this device. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import { readKept, writeKept } from '../../store/storage';

interface RecordState {
  by: string;
}

const KEY = 'by';

const keptName = () => {
  const kept = readKept(KEY);
  return typeof kept === 'string' ? kept : '';
};

const record = createSlice({
  name: 'record',
  initialState: (): RecordState => ({ by: keptName() }),
  reducers: {
    writerNamed: (state, { payload }: PayloadAction<string>) => {
      state.by = payload;
    },
  },
});

export const { writerNamed } = record.actions;
export const recordReducer = record.reducer;

export const keepWriter = (by: string) => writeKept(KEY, by);
