/** The way to the server. What is asked of it is said by each feature (`injectEndpoints`). */
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Problem } from '@zygostat/core/circuit';

/** What the server answers when it cannot do something (RFC 9457). */
export interface ProblemDetails {
  status: number;
  title: string;
  detail: string;
  problems?: Problem[];
  latest?: number;
}

/** The problem behind a failed request, or what to say when the server did not answer. */
export function problemOf(error: unknown): ProblemDetails {
  const data = typeof error === 'object' && error !== null && 'data' in error ? error.data : undefined;
  if (typeof data === 'object' && data !== null && 'detail' in data) return data as ProblemDetails;
  return {
    status: 0,
    title: 'No answer',
    detail: 'The server does not answer. What you typed is still here: try again.',
  };
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: new URL('/api', window.location.href).href }),
  tagTypes: ['Jobs', 'Job', 'Readings', 'Photos', 'Found', 'Record'],
  endpoints: () => ({}),
});
