/** What the store holds of the open job, beyond what the first view needs. */
import { documentReducers } from '../../documents/all';
import { syncReducer } from '../../documents/slice';
import { benchReducer } from '../bench/slice';
import { contestedReducer } from '../circuit/contested';
import { editsReducer, savingReducer } from '../circuit/slice';
import { findReducer } from '../find/slice';
import { replacingReducer } from '../plan/replacing';
import { recordReducer } from '../record/slice';
import { traceReducer } from '../trace/slice';

export const jobReducers = {
  ...documentReducers,
  bench: benchReducer,
  contested: contestedReducer,
  edits: editsReducer,
  find: findReducer,
  record: recordReducer,
  replacing: replacingReducer,
  saving: savingReducer,
  sync: syncReducer,
  trace: traceReducer,
};
