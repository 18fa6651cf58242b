/** What the person has in hand on Trace: the open sheet, and a conductor end or jumper on its way to a stud. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { End } from '@zygostat/core/circuit';

export type Sheet =
  | { type: 'stud'; node: string }
  | { type: 'device'; device: string }
  | { type: 'conductor'; conductor: string }
  | { type: 'log'; red: string; black: string }
  | { type: 'conditions' }
  | { type: 'menu' }
  | { type: 'revisions' }
  | { type: 'keys' };

type Carried = { type: 'end'; conductor: string; end: End } | { type: 'jumper'; from: string };

interface Trace {
  sheet: Sheet | null;
  carried: Carried | null;
}

const trace = createSlice({
  name: 'trace',
  initialState: { sheet: null, carried: null } as Trace,
  reducers: {
    traceOpened: (): Trace => ({ sheet: null, carried: null }),
    sheetOpened: (state, { payload }: PayloadAction<Sheet | null>) => {
      state.sheet = payload;
    },
    pickedUp: (state, { payload }: PayloadAction<Carried | null>) => {
      state.carried = payload;
      state.sheet = null;
    },
  },
});

export const { traceOpened, sheetOpened, pickedUp } = trace.actions;
export const traceReducer = trace.reducer;
