/** Takes up what somebody else changed of the open job. */
import type { AppDispatch } from '../../store/root';
import { api } from '../../store/api';
import { refreshCircuit } from '../circuit/saving';
import { diagnosisDocument } from '../find/document';
import { planDocument } from '../plan/document';
import { surveyDocument } from '../survey/document';

const DOCUMENTS: Readonly<Record<string, { refresh: (jobId: string) => unknown }>> = {
  survey: surveyDocument,
  plan: planDocument,
  diagnosis: diagnosisDocument,
};

const LISTS = { record: 'Record', readings: 'Readings', photos: 'Photos' } as const;

/** @param what - by its name in the address of the server. */
export const refresh = (jobId: string, what: string) => (dispatch: AppDispatch) => {
  if (what === 'revisions') return void dispatch(refreshCircuit(jobId));
  const document = DOCUMENTS[what];
  if (document) return void dispatch(document.refresh(jobId) as Parameters<AppDispatch>[0]);
  const list = LISTS[what as keyof typeof LISTS];
  return void dispatch(
    api.util.invalidateTags([list ? { type: list, id: jobId } : { type: 'Job', id: jobId }]),
  );
};

/** Everything, after nothing was heard for a while. */
export const refreshAll = (jobId: string) => (dispatch: AppDispatch) => {
  for (const what of ['revisions', 'job', ...Object.keys(DOCUMENTS), ...Object.keys(LISTS)])
    dispatch(refresh(jobId, what));
};
