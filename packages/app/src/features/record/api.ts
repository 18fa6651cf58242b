/** The record of a job: its entries, and one more of them. */
import type { Entry } from '@zygostat/core/record';
import type { ProblemDetails } from '../../store/api';
import { PATIENCE_MS, api } from '../../store/api';

export interface NewEntry {
  jobId: string;
  entry: Entry;
}

const recordTags = (id: string) => [{ type: 'Record', id }, { type: 'Job', id }, 'Jobs'] as const;

export const recordApi = api.injectEndpoints({
  endpoints: (build) => ({
    listRecord: build.query<(Entry & { link: string })[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/record`,
      providesTags: (_result, _error, id) => [{ type: 'Record', id }],
    }),
    /** Several of a job in their order: how many were taken in, and what is against the next. */
    addEntries: build.mutation<
      { taken: number; refused?: ProblemDetails },
      { jobId: string; entries: Entry[] }
    >({
      query: ({ jobId, entries }) => ({
        url: `jobs/${encodeURIComponent(jobId)}/record/many`,
        method: 'POST',
        body: { entries },
        timeout: PATIENCE_MS,
      }),
      invalidatesTags: (_result, _error, { jobId }) => recordTags(jobId),
    }),
    addEntry: build.mutation<Entry, NewEntry>({
      query: ({ jobId, entry }) => ({
        url: `jobs/${encodeURIComponent(jobId)}/record`,
        method: 'POST',
        body: entry,
        timeout: PATIENCE_MS,
      }),
      invalidatesTags: (_result, _error, { jobId }) => recordTags(jobId),
    }),
  }),
});

export const { useListRecordQuery } = recordApi;
