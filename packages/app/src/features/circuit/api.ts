import type { Circuit } from '@zygostat/core/circuit';
import { api } from '../../store/api';

/** A saved circuit but for the circuit. */
export interface Revision {
  number: number;
  note: string;
  /** Whoever was signed in; empty where nobody signs in. */
  by: string;
  createdAt: string;
}

export const circuitApi = api.injectEndpoints({
  endpoints: (build) => ({
    revision: build.query<{ number: number; circuit: Circuit }, { id: string; number: number }>({
      query: ({ id, number }) => `jobs/${encodeURIComponent(id)}/revisions/${number}`,
    }),
    revisions: build.query<Revision[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/revisions`,
    }),
    saveRevision: build.mutation<
      { number: number },
      { id: string; base: number; save: string; circuit: Circuit; note: string }
    >({
      query: ({ id, ...body }) => ({ url: `jobs/${encodeURIComponent(id)}/revisions`, method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
  }),
});

export const { useLazyRevisionQuery, useRevisionQuery, useRevisionsQuery } = circuitApi;
