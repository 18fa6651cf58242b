/** What the person has in hand on Trace: the open sheet, and a conductor end or jumper on its way to a stud. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { End } from '@zygostat/core/circuit';

export type Sheet =
  | { type: 'stud'; point: string }
  | { type: 'device'; device: string }
  | { type: 'conductor'; conductor: string }
  | { type: 'log'; red: string; black: string }
  | { type: 'conditions' }
  | { type: 'menu' }
  | { type: 'keys' };

export type Carried = { type: 'end'; conductor: string; end: End } | { type: 'jumper'; from: string };

export type Pane = 'loom' | 'ladder' | 'path' | 'time' | 'readings';

interface Trace {
  sheet: Sheet | null;
  carried: Carried | null;
  pane: Pane;
  /** A short word to the person, shown until dismissed. */
  message: string | null;
}

const trace = createSlice({
  name: 'trace',
  initialState: { sheet: null, carried: null, pane: 'loom', message: null } as Trace,
  reducers: {
    traceOpened: (): Trace => ({ sheet: null, carried: null, pane: 'loom', message: null }),
    sheetOpened: (state, { payload }: PayloadAction<Sheet | null>) => {
      state.sheet = payload;
    },
    pickedUp: (state, { payload }: PayloadAction<Carried | null>) => {
      state.carried = payload;
      state.sheet = null;
      state.pane = 'loom';
    },
    paneChosen: (state, { payload }: PayloadAction<Pane>) => {
      state.pane = payload;
    },
    told: (state, { payload }: PayloadAction<string | null>) => {
      state.message = payload;
    },
  },
});

export const { traceOpened, sheetOpened, pickedUp, paneChosen, told } = trace.actions;
export const traceReducer = trace.reducer;
