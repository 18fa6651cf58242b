import type { Circuit } from '@zygostat/core/circuit';
import { api } from '../../store/api';

export const circuitApi = api.injectEndpoints({
  endpoints: (build) => ({
    revision: build.query<{ number: number; circuit: Circuit }, { id: string; number: number }>({
      query: ({ id, number }) => `jobs/${encodeURIComponent(id)}/revisions/${number}`,
    }),
    saveRevision: build.mutation<
      { number: number },
      { id: string; base: number; circuit: Circuit; note: string }
    >({
      query: ({ id, ...body }) => ({ url: `jobs/${encodeURIComponent(id)}/revisions`, method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
  }),
});

export const { useRevisionQuery } = circuitApi;
