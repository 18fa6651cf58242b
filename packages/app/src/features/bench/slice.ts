/** The bench of the open job: how everything is set, where the probes are, what the model answered. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { BenchAnswer, BenchView, Inputs, PathStop, World } from '@zygostat/core/behaviour';
import { NEW_WORLD } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Conditions, Value } from '@zygostat/core/devices';
import type { MeterMode, Reading } from '@zygostat/core/network';
import type { MeterKind } from '@zygostat/core/standards';

export type Probe = 'red' | 'black';

export interface Meter {
  mode: MeterMode;
  kind: MeterKind;
  red: string | null;
  black: string | null;
}

export interface Bench {
  inputs: Inputs;
  world: World;
  /** Mains as a share of nominal. */
  supply: number;
  meter: Meter;
  /** The load whose path is followed. */
  followed: { device: string; element: string } | null;
  /** Probe that the next tapped stud gets. */
  armed: Probe | null;
  view: BenchView | null;
  /** The circuit the answer is about. */
  about: Circuit | null;
  reading: Reading | null;
  path: PathStop[];
  /** The load that path is of, the very one that was followed when it was asked. */
  pathOf: Bench['followed'];
  /** The clock stands still: a moment of the timeline is being looked at. */
  paused: boolean;
  /** Counts the moments shown, so that each is asked about. */
  moment: number;
  /** Why the model could not answer, in words. */
  failure: string | null;
}

/** A warm day indoors and out: a cooling call is the usual first question. °C. */
export const FRESH: Bench = {
  inputs: { controls: {}, conditions: { indoorC: 25.6, outdoorC: 31.1 } },
  world: NEW_WORLD,
  supply: 1,
  meter: { mode: 'ac-volts', kind: 'high-z', red: null, black: null },
  followed: null,
  armed: null,
  view: null,
  about: null,
  reading: null,
  path: [],
  pathOf: null,
  paused: false,
  moment: 0,
  failure: null,
};

const bench = createSlice({
  name: 'bench',
  initialState: FRESH,
  reducers: {
    benchOpened: (
      _state,
      { payload }: PayloadAction<Partial<Pick<Bench, 'inputs' | 'world' | 'meter' | 'supply'>>>,
    ): Bench => ({
      ...FRESH,
      ...payload,
    }),
    controlSet: (state, { payload }: PayloadAction<{ device: string; name: string; value: Value }>) => {
      const { device, name, value } = payload;
      state.inputs.controls = {
        ...state.inputs.controls,
        [device]: { ...state.inputs.controls[device], [name]: value },
      };
      state.paused = false;
    },
    conditionsSet: (state, { payload }: PayloadAction<Partial<Conditions>>) => {
      state.inputs.conditions = { ...state.inputs.conditions, ...payload };
    },
    supplySet: (state, { payload }: PayloadAction<number>) => {
      state.supply = payload;
    },
    /** Puts the bench at a moment of the timeline and stops its clock. */
    momentShown: (state, { payload }: PayloadAction<{ inputs: Inputs; world: World }>) => ({
      ...state,
      ...payload,
      paused: true,
      moment: state.moment + 1,
    }),
    /** Lets time go on from where it stands. */
    resumed: (state) => {
      state.paused = false;
    },
    probeArmed: (state, { payload }: PayloadAction<Probe | null>) => {
      state.armed = payload;
    },
    probePlaced: (state, { payload }: PayloadAction<{ probe: Probe; node: string | null }>) => {
      state.meter[payload.probe] = payload.node;
      state.armed = null;
      if (payload.node === null) state.reading = null;
    },
    meterSet: (state, { payload }: PayloadAction<Partial<Meter>>) => {
      Object.assign(state.meter, payload);
    },
    loadFollowed: (state, { payload }: PayloadAction<Bench['followed']>) => {
      state.followed = payload;
    },
    // Frozen at the top, what is large is taken as it is: freezing every figure in it would cost a tap its frame.
    answered: (
      state,
      { payload }: PayloadAction<BenchAnswer & Pick<Bench, 'pathOf'> & { about: Circuit }>,
    ) => ({
      ...state,
      ...payload,
      world: Object.freeze(payload.world),
      view: Object.freeze(payload.view),
      about: Object.freeze(payload.about),
      failure: null,
    }),
    failed: (state, { payload }: PayloadAction<string>) => {
      state.failure = payload;
    },
  },
});

export const {
  benchOpened,
  controlSet,
  conditionsSet,
  supplySet,
  momentShown,
  resumed,
  probeArmed,
  probePlaced,
  meterSet,
  loadFollowed,
  answered,
  failed,
} = bench.actions;
export const benchReducer = bench.reducer;
