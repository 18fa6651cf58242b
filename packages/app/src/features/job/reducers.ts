/** What the store holds of the open job, beyond what the first view needs. */
import { syncReducer } from '../../documents/slice';
import { benchReducer } from '../bench/slice';
import { contestedReducer } from '../circuit/contested';
import { editsReducer, savingReducer } from '../circuit/slice';
import { diagnosisDocument } from '../find/document';
import { findReducer } from '../find/slice';
import { planDocument } from '../plan/document';
import { replacingReducer } from '../plan/replacing';
import { recordReducer } from '../record/slice';
import { buildingDocument } from '../site/document';
import { surveyDocument } from '../survey/document';
import { traceReducer } from '../trace/slice';

export const jobReducers = {
  bench: benchReducer,
  building: buildingDocument.reducer,
  contested: contestedReducer,
  diagnosis: diagnosisDocument.reducer,
  edits: editsReducer,
  find: findReducer,
  plan: planDocument.reducer,
  record: recordReducer,
  replacing: replacingReducer,
  saving: savingReducer,
  survey: surveyDocument.reducer,
  sync: syncReducer,
  trace: traceReducer,
};
