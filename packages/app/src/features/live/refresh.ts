/** Takes up what somebody else changed of the open job. */
import type { AppDispatch, RootState } from '../../store/root';
import { api } from '../../store/api';
import { circuitDocument } from '../circuit/saving';
import { putTogether } from '../circuit/slice';
import { diagnosisDocument } from '../find/document';
import { planDocument } from '../plan/document';
import { surveyDocument } from '../survey/document';

/** The newest circuit takes the place of this one's, unless something of this one is on its way: that is put together when it is sent. */
const refreshCircuit = (jobId: string) => async (dispatch: AppDispatch, getState: () => RootState) => {
  const { data: newest } = await circuitDocument.newest(dispatch, jobId);
  const { saving } = getState();
  if (!newest || saving.jobId !== jobId || saving.state !== 'saved' || newest.number <= saving.base) return;
  dispatch(putTogether({ jobId, base: newest.number, value: newest.value, state: 'saved' }));
};

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
