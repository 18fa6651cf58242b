import type { Verdict } from '@zygostat/core/behaviour';
import type { MeterMode } from '@zygostat/core/network';
import type { MeterKind } from '@zygostat/core/standards';
import { PATIENCE_MS, api } from '../../store/api';

export interface NewReading {
  /** Chosen here, so that one sent twice is logged once. */
  id: string;
  revision: number;
  mode: MeterMode;
  meter: MeterKind;
  red: string;
  black: string;
  /** `null` is an open loop. */
  expected: number | null;
  actual: number | null;
  situation: string;
  /** The call it was taken in, where it was a plain one. */
  state: string;
}

export interface LoggedReading extends NewReading {
  unit: 'V' | 'Ω' | 'A';
  verdict: Verdict;
  /** Whoever was signed in; empty where nobody signs in. */
  by: string;
  createdAt: string;
}

export const readingsApi = api.injectEndpoints({
  endpoints: (build) => ({
    listReadings: build.query<LoggedReading[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/readings`,
      providesTags: (_result, _error, id) => [{ type: 'Readings', id }],
    }),
    logReading: build.mutation<LoggedReading, { id: string; reading: NewReading; isMore: boolean }>({
      query: ({ id, reading }) => ({
        url: `jobs/${encodeURIComponent(id)}/readings`,
        method: 'POST',
        body: reading,
        timeout: PATIENCE_MS,
      }),
      invalidatesTags: (_result, _error, { id, isMore }) =>
        isMore ? [] : [{ type: 'Readings', id }, 'Jobs'],
    }),
  }),
});

export const { useListReadingsQuery } = readingsApi;
