import type { Reducer } from '@reduxjs/toolkit';
import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { keepSettings, keptSettings } from '../features/settings/kept';
import { settingsChosen } from '../features/settings/slice';
import { api } from './api';
import { doorShut } from './door';
import { addAppListener } from './listeners';
import { forgetAnswers } from './offline';
import { ownedBy } from './own';
import type { AppDispatch, RootState, Store } from './root';
import { makeReducer } from './root';

const keepingSettings = () =>
  addAppListener({
    actionCreator: settingsChosen,
    effect: (_action, { getState }) => keepSettings(getState().settings),
  });

const forgettingAnswers = () => addAppListener({ actionCreator: doorShut, effect: forgetAnswers });

/** A store as the first view needs it. */
export function makeStore(): Store {
  const own = ownedBy((): Store => whole);
  const reducer = makeReducer();
  const store = configureStore({
    // Who reads what a job needs has opened one: to them all of it is there.
    reducer: reducer as Reducer<RootState>,
    preloadedState: { settings: keptSettings() } as RootState,
    // The model's answers are large and plain by construction; checking them on every tap costs frames.
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false, thunk: { extraArgument: own } })
        .prepend(createListenerMiddleware().middleware)
        .concat(api.middleware),
  });
  store.dispatch(keepingSettings());
  store.dispatch(forgettingAnswers());
  const whole = Object.assign(store, { inject: reducer.inject, own });
  return whole;
}

export type { RootState, Store } from './root';
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<Store>();
