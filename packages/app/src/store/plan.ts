/** The plan of the open job and how far it has been saved. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Done, Plan } from '@zygostat/core/wire';

interface Planning {
  jobId: string | null;
  base: number;
  plan: Plan | null;
  /** A list that was put away, while the job is open: it can be taken up again. */
  putAway: Plan | null;
  state: 'saved' | 'saving' | 'waiting';
}

const plan = createSlice({
  name: 'plan',
  initialState: { jobId: null, base: 0, plan: null, putAway: null, state: 'saved' } as Planning,
  reducers: {
    planOpened: (
      _state,
      { payload }: PayloadAction<{ jobId: string; base: number; plan: Plan | null }>,
    ): Planning => ({ ...payload, putAway: null, state: 'saved' }),
    /** Taken, planned anew, or taken back with `null`. */
    planChanged: (state, { payload }: PayloadAction<Plan | null>): Planning => ({
      ...state,
      plan: payload,
      putAway: payload === null ? state.plan : null,
    }),
    stepsDone: (state, { payload }: PayloadAction<Readonly<Record<string, Done>>>): Planning => ({
      ...state,
      plan: state.plan && { ...state.plan, done: payload },
    }),
    planSaved: (state, { payload }: PayloadAction<Partial<Pick<Planning, 'base' | 'state'>>>) => ({
      ...state,
      ...payload,
    }),
  },
});

export const { planOpened, planChanged, stepsDone, planSaved } = plan.actions;
export const planReducer = plan.reducer;
