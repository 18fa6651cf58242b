/** A plan that would take the place of a list somebody has begun to work down, until it is said whether it may. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Plan } from '@zygostat/core/wire';

const replacing = createSlice({
  name: 'replacing',
  initialState: null as Plan | null,
  reducers: {
    replacementAsked: (_plan, { payload }: PayloadAction<Plan>): Plan | null => payload,
    replacementDecided: () => null,
  },
});

export const { replacementAsked, replacementDecided } = replacing.actions;
export const replacingReducer = replacing.reducer;
