/** Takes up what somebody else changed of the open job. */
import type { Owner } from '@zygostat/core/documents';
import type { AppDispatch } from '../../store/root';
import { allDocuments } from '../../documents/all';
import { api } from '../../store/api';
import { refreshCircuit } from '../circuit/saving';

const LISTS = { record: 'Record', readings: 'Readings', photos: 'Photos' } as const;

/** @param what - by its name in the address of the server. */
export const refresh = (jobId: string, what: string) => (dispatch: AppDispatch) => {
  if (what === 'revisions') return void dispatch(refreshCircuit(jobId));
  const document = allDocuments().find(({ name }) => name === what);
  if (document) return void dispatch(document.refresh(jobId));
  const list = LISTS[what as keyof typeof LISTS];
  return void dispatch(
    api.util.invalidateTags([list ? { type: list, id: jobId } : { type: 'Job', id: jobId }]),
  );
};

/** Everything of a job, or of a site, after nothing was heard for a while. */
export const refreshAll = (id: string, owner: Owner) => (dispatch: AppDispatch) => {
  const own = allDocuments().filter((document) => document.owner === owner);
  for (const { name } of own) dispatch(refresh(id, name));
  if (owner === 'jobs')
    for (const what of ['revisions', 'job', ...Object.keys(LISTS)]) dispatch(refresh(id, what));
};
