/** Choices kept on this device. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Units } from '@zygostat/core/words';

/** What there is to choose, the first of each the default. */
export const CHOICES = {
  theme: ['system', 'light', 'dark', 'glare'],
  temperature: ['F', 'C'],
  length: ['ft', 'm'],
  gauge: ['awg', 'mm2'],
  symbols: ['bars', 'blade'],
  region: ['america', 'iec', 'japan'],
  keys: ['on', 'off'],
  hand: ['right', 'left'],
  awake: ['off', 'on'],
  buzz: ['on', 'off'],
  aloud: ['off', 'on'],
} as const satisfies { [K in keyof Units]: readonly Units[K][] } & Record<string, readonly string[]>;

export type Setting = keyof typeof CHOICES;
export type Settings = { [K in Setting]: (typeof CHOICES)[K][number] };

export const DEFAULTS: Settings = {
  theme: 'system',
  temperature: 'F',
  length: 'ft',
  gauge: 'awg',
  symbols: 'bars',
  region: 'america',
  keys: 'on',
  hand: 'right',
  awake: 'off',
  buzz: 'on',
  aloud: 'off',
};

const settings = createSlice({
  name: 'settings',
  initialState: DEFAULTS,
  reducers: {
    settingsChosen: (state, { payload }: PayloadAction<Partial<Settings>>) => ({ ...state, ...payload }),
  },
});

export const { settingsChosen } = settings.actions;
export const settingsReducer = settings.reducer;
