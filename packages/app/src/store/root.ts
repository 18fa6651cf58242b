/** What the store holds, and what may be dispatched to it. What a job needs joins when one is first opened. */
import type {
  EnhancedStore,
  StateFromReducersMapObject,
  ThunkDispatch,
  UnknownAction,
} from '@reduxjs/toolkit';
import { combineSlices } from '@reduxjs/toolkit';
import type { jobReducers } from '../features/job/reducers';
import { settingsReducer } from '../features/settings/slice';
import { api } from './api';
import { doorReducer } from './door';
import { noticeReducer } from './notice';
import type { Own } from './own';

const firstReducers = {
  [api.reducerPath]: api.reducer,
  door: doorReducer,
  notice: noticeReducer,
  settings: settingsReducer,
};

type Reducers = typeof firstReducers & typeof jobReducers;
export type JobState = StateFromReducersMapObject<typeof jobReducers>;

/** What the first view needs; what a job needs is put in by `inject` when one is first opened. */
export const makeReducer = () => combineSlices(firstReducers).withLazyLoadedSlices<JobState>();

/** As it is once a job was opened; before that only the first reducers’ part is there. */
export type RootState = StateFromReducersMapObject<Reducers>;
export type AppDispatch = ThunkDispatch<RootState, Own<Store>, UnknownAction>;

export interface Store extends EnhancedStore<RootState> {
  dispatch: AppDispatch & EnhancedStore<RootState>['dispatch'];
  inject: ReturnType<typeof makeReducer>['inject'];
  own: Own<Store>;
}
