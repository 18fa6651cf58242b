/** Readings the server did not answer for. */
import { outbox } from '../../documents/outbox';
import type { NewReading } from './api';
import { readingsApi } from './api';

interface Waiting {
  jobId: string;
  reading: NewReading;
}

const isWaiting = (given: unknown): given is Waiting =>
  typeof given === 'object' &&
  given !== null &&
  'jobId' in given &&
  typeof given.jobId === 'string' &&
  'reading' in given &&
  typeof given.reading === 'object';

/** A reading that is kept here, checked. */
export const readingOf = (given: unknown): Waiting | undefined => (isWaiting(given) ? given : undefined);

export const readingsOutbox = outbox<Waiting>({
  name: 'reading',
  ownerOf: ({ jobId }) => jobId,
  read: readingOf,
  send: (dispatch, { jobId, reading }, isMore) =>
    dispatch(readingsApi.endpoints.logReading.initiate({ id: jobId, reading, isMore })),
});
