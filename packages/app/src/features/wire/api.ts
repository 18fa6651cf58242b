import type { Circuit } from '@zygostat/core/circuit';
import { api } from '../../store/api';

const scheduleApi = api.injectEndpoints({
  endpoints: (build) => ({
    previewSchedule: build.mutation<
      { circuit: Circuit; conductors: number },
      { id: string; mode: 'merge' | 'replace'; text: string }
    >({
      query: ({ id, mode, text }) => ({
        url: `jobs/${encodeURIComponent(id)}/schedule`,
        method: 'POST',
        params: { mode },
        headers: { 'Content-Type': 'text/csv' },
        body: text,
      }),
    }),
  }),
});

export const { usePreviewScheduleMutation } = scheduleApi;
