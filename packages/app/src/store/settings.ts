/** Choices kept on this device. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';

export const THEME_CHOICES = ['system', 'light', 'dark'] as const;
export type ThemeChoice = (typeof THEME_CHOICES)[number];

const settings = createSlice({
  name: 'settings',
  initialState: { theme: 'system' as ThemeChoice },
  reducers: {
    themeChosen: (state, { payload }: PayloadAction<ThemeChoice>) => {
      state.theme = payload;
    },
  },
});

export const { themeChosen } = settings.actions;
export const settingsReducer = settings.reducer;
