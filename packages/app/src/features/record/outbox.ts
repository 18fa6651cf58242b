/** Entries of the record the server did not answer for. */
import { outbox } from '../../documents/outbox';
import type { NewEntry } from './api';
import { recordApi } from './api';

const isWaiting = (given: unknown): given is NewEntry =>
  typeof given === 'object' &&
  given !== null &&
  'jobId' in given &&
  typeof given.jobId === 'string' &&
  'entry' in given &&
  typeof given.entry === 'object';

export const recordOutbox = outbox<NewEntry>({
  name: 'entry',
  read: (given) => (isWaiting(given) ? given : undefined),
  send: (dispatch, waiting) => dispatch(recordApi.endpoints.addEntry.initiate(waiting)),
});
