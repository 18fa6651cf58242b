/** The circuit being worked on, with undo, and how far it has been saved. */
import type { Dispatch, PayloadAction } from '@reduxjs/toolkit';
import { createAction, createSlice } from '@reduxjs/toolkit';
import type { Circuit } from '@zygostat/core/circuit';
import undoable from 'redux-undo';
import type { Progress } from '@zygostat/core/sync';

export interface Edit {
  circuit: Circuit | null;
  /** What the last edit was, for the revision's note. */
  note: string;
  /** Steps of the landing list that were done before and after it, where it was a step of that list. */
  ticks?: Ticks;
}

const TOGETHER = 'Put together with what was changed elsewhere';

/** Steps of a plan that were done before and after one of them was ticked or taken back. */
interface Ticks {
  plan: string;
  was: readonly string[];
  now: readonly string[];
}

/** Circuits of two people put together take the place of this one's, saved or about to be. */
export const putTogether = createAction<{
  jobId: string;
  base: number;
  value: Circuit;
  state: Progress['state'];
}>('edits/putTogether');

/** The steps before and after a circuit as an earlier visit of this tab left them. */
export interface Steps {
  past: Edit[];
  present: Edit;
  future: Edit[];
}

const stepsTakenUp = createAction<Steps>('edits/stepsTakenUp');

const edits = createSlice({
  name: 'edits',
  initialState: { circuit: null, note: '' } as Edit,
  reducers: {
    loaded: (_state, { payload }: PayloadAction<Circuit>): Edit => ({ circuit: payload, note: '' }),
    edited: (_state, { payload }: PayloadAction<{ circuit: Circuit; note: string; ticks?: Ticks }>): Edit =>
      payload,
  },
  extraReducers: (builder) =>
    builder.addCase(putTogether, (_state, { payload: { value } }): Edit => ({
      circuit: value,
      note: TOGETHER,
    })),
});

const { loaded } = edits.actions;
export const { edited } = edits.actions;

export const UNDO = 'edits/undo';
export const REDO = 'edits/redo';
const FORGET = 'edits/forget';

/** Undo steps kept. */
const DEPTH = 100;

const withUndo = undoable(edits.reducer, {
  limit: DEPTH,
  undoType: UNDO,
  redoType: REDO,
  filter: (action) => action.type === edited.type,
  clearHistoryType: FORGET,
});

export type EditsState = ReturnType<typeof withUndo>;

export const editsReducer: typeof withUndo = (state, action) => {
  const next = withUndo(state, action);
  // To undo past what another person changed would take that back too.
  if (putTogether.match(action)) return { ...next, past: [], future: [] };
  if (!stepsTakenUp.match(action)) return next;
  const { payload } = action;
  return { ...next, ...payload, _latestUnfiltered: payload.present, index: payload.past.length };
};

/** Takes up a circuit as opened, with the steps that led to it where they are known, and none behind it otherwise. */
export const takeUp =
  (circuit: Circuit, steps: Steps | null = null) =>
  (dispatch: Dispatch) => {
    dispatch(loaded(circuit));
    dispatch({ type: FORGET });
    if (steps) dispatch(stepsTakenUp(steps));
  };

/** How far the open circuit has been saved. */
export interface Saving {
  jobId: string | null;
  /** The revision it builds on. */
  base: number;
  state: Progress['state'];
  /** What the server said, when it refused. */
  detail: string;
}

const saving = createSlice({
  name: 'saving',
  initialState: { jobId: null, base: 0, state: 'saved', detail: '' } as Saving,
  reducers: {
    opened: (_state, { payload }: PayloadAction<{ jobId: string | null; base: number }>): Saving => ({
      ...payload,
      state: 'saved',
      detail: '',
    }),
    saveChanged: (state, { payload }: PayloadAction<Partial<Saving>>) => ({
      ...state,
      ...payload,
    }),
  },
  extraReducers: (builder) =>
    builder.addCase(putTogether, (_state, { payload: { jobId, base, state } }): Saving => ({
      jobId,
      base,
      state,
      detail: '',
    })),
});

export const { opened, saveChanged } = saving.actions;
export const savingReducer = saving.reducer;
