/** Notes and states of jobs the server did not answer for; a later one of the same takes the place of an earlier. */
import { nanoid } from '@reduxjs/toolkit';
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

/** Notes and state wait each by itself: one does not take the place of the other. */
export const changeKey = ({ id, change: { was: _was, addNote, ...change } }: JobChange): string =>
  // Of lines that are added none takes the place of another.
  [id, ...Object.keys(change).sort(), ...(addNote === undefined ? [] : [nanoid()])].join(' ');

export const changesOutbox = outbox<JobChange>({
  name: 'change',
  ownerOf: ({ id }) => id,
  read: (given) => (isChange(given) ? given : undefined),
  send: (dispatch, change) => dispatch(jobsApi.endpoints.changeJob.initiate(change)),
});
