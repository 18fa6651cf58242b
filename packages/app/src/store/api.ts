/** The way to the server. What is asked of it is said by each feature (`injectEndpoints`). */
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Problem } from '@zygostat/core/circuit';
import { doorShut } from './door';

/** What the server answers when it cannot do something (RFC 9457). */
export interface ProblemDetails {
  status: number;
  title: string;
  detail: string;
  problems?: Problem[];
  latest?: number;
  /** Whether it would be answered once this device is signed in. */
  signIn?: boolean;
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

const ask = fetchBaseQuery({ baseUrl: new URL('/api', window.location.href).href });

/** Asks; where the answer waits for a sign-in, the door is shut until there is one. */
const askAtTheDoor: typeof ask = async (what, told, more) => {
  const answer = await ask(what, told, more);
  if (answer.error && problemOf(answer.error).signIn) told.dispatch(doorShut());
  return answer;
};

export const api = createApi({
  reducerPath: 'api',
  baseQuery: askAtTheDoor,
  tagTypes: ['Jobs', 'Job', 'Readings', 'Photos', 'Found', 'Record', 'Crew'],
  endpoints: () => ({}),
});
