import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { benchReducer } from './bench';
import { keptSettings } from './kept';
import { planReducer } from './plan';
import { listeners } from './unsent';
import { settingsReducer } from './settings';
import { surveyReducer } from './survey';
import { traceReducer } from './trace';
import { editsReducer, savingReducer } from './work';

export function makeStore() {
  return configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      bench: benchReducer,
      edits: editsReducer,
      plan: planReducer,
      saving: savingReducer,
      settings: settingsReducer,
      survey: surveyReducer,
      trace: traceReducer,
    },
    preloadedState: { settings: keptSettings() },
    // The model's answers are large and plain by construction; checking them on every tap costs frames.
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(listeners.middleware)
        .concat(api.middleware),
  });
}

export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
