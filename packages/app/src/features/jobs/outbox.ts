/** Notes and states of jobs the server did not answer for; a later one of a job takes the place of an earlier. */
import { outbox } from '../../documents/outbox';
import type { JobChange } from './api';
import { jobsApi } from './api';

const isChange = (given: unknown): given is JobChange =>
  typeof given === 'object' &&
  given !== null &&
  'id' in given &&
  typeof given.id === 'string' &&
  'change' in given &&
  typeof given.change === 'object';

export const changesOutbox = outbox<JobChange>({
  name: 'change',
  read: (given) => (isChange(given) ? given : undefined),
  send: (dispatch, change) => dispatch(jobsApi.endpoints.changeJob.initiate(change)),
});
