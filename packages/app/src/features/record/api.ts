/** The record of a job: its entries, and one more of them. */
import type { Entry } from '@zygostat/core/record';
import { PATIENCE_MS, api } from '../../store/api';

export interface NewEntry {
  jobId: string;
  entry: Entry;
}

export const recordApi = api.injectEndpoints({
  endpoints: (build) => ({
    listRecord: build.query<(Entry & { link: string })[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/record`,
      providesTags: (_result, _error, id) => [{ type: 'Record', id }],
    }),
    addEntry: build.mutation<Entry, NewEntry>({
      query: ({ jobId, entry }) => ({
        url: `jobs/${encodeURIComponent(jobId)}/record`,
        method: 'POST',
        body: entry,
        timeout: PATIENCE_MS,
      }),
      invalidatesTags: (_result, _error, { jobId }) => [
        { type: 'Record', id: jobId },
        { type: 'Job', id: jobId },
        'Jobs',
      ],
    }),
  }),
});

export const { useListRecordQuery } = recordApi;
