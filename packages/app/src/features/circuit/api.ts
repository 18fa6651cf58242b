import type { Circuit } from '@zygostat/core/circuit';
import { api } from '../../store/api';

export const circuitApi = api.injectEndpoints({
  endpoints: (build) => ({
    saveRevision: build.mutation<
      { number: number },
      { id: string; base: number; circuit: Circuit; note: string }
    >({
      query: ({ id, ...body }) => ({ url: `jobs/${encodeURIComponent(id)}/revisions`, method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
  }),
});
