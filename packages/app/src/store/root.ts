/** What the store holds, and what may be dispatched to it. */
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { combineReducers } from '@reduxjs/toolkit';
import { api } from './api';
import { benchReducer } from './bench';
import { planReducer } from './plan';
import { settingsReducer } from './settings';
import { surveyReducer } from './survey';
import { traceReducer } from './trace';
import { editsReducer, savingReducer } from './work';

export const rootReducer = combineReducers({
  [api.reducerPath]: api.reducer,
  bench: benchReducer,
  edits: editsReducer,
  plan: planReducer,
  saving: savingReducer,
  settings: settingsReducer,
  survey: surveyReducer,
  trace: traceReducer,
});

export type RootState = ReturnType<typeof rootReducer>;
export type AppDispatch = ThunkDispatch<RootState, undefined, UnknownAction>;
