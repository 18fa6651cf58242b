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

/** An entry that is kept here, checked. */
export const writtenOf = (given: unknown): NewEntry | undefined => (isWaiting(given) ? given : undefined);

export const recordOutbox = outbox<NewEntry>({
  name: 'entry',
  ownerOf: ({ jobId }) => jobId,
  read: writtenOf,
  send: (dispatch, waiting) => dispatch(recordApi.endpoints.addEntry.initiate(waiting)),
  sendAll: async (dispatch, waiting) => {
    const entries = waiting.map(({ entry }) => entry);
    const { addEntries } = recordApi.endpoints;
    const { data, error } = await dispatch(addEntries.initiate({ jobId: waiting[0]!.jobId, entries }));
    if (!data) return { taken: 0, error };
    return { taken: data.taken, ...(data.refused && { error: { data: data.refused } }) };
  },
});
