import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { keptSettings } from './kept';
import { makeListeners } from './listeners';
import { savePlans } from './planning';
import type { RootState } from './root';
import { rootReducer } from './root';
import { saveWork } from './saving';
import { saveSurveys } from './surveying';
import { sendUnsent } from './unsent';

/** A store with everything that listens to it. */
export function makeStore() {
  const { middleware, listen } = makeListeners();
  for (const start of [saveWork, saveSurveys, savePlans, sendUnsent]) start(listen);
  return configureStore({
    reducer: rootReducer,
    preloadedState: { settings: keptSettings() },
    // The model's answers are large and plain by construction; checking them on every tap costs frames.
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(middleware)
        .concat(api.middleware),
  });
}

export type { RootState } from './root';
export type Store = ReturnType<typeof makeStore>;
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
