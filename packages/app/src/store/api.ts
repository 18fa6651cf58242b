/** The way to the server. What is asked of it is said by each feature (`injectEndpoints`). */
import { nanoid } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Problem } from '@zygostat/core/circuit';
import { doorShut } from './door';
import type { Own } from './own';

/** What the server answers when it cannot do something (RFC 9457). */
export interface ProblemDetails {
  status: number;
  title: string;
  detail: string;
  problems?: Problem[];
  latest?: number;
  /** Whether it would be answered once this device is signed in. */
  signIn?: boolean;
  /** Whether it would be done once the person has said again that it is them. */
  prove?: boolean;
  /** Whether it would be done once this device is known to be theirs. */
  confirm?: boolean;
}

/** The problem behind a failed request, or what to say when the server did not answer. */
export function problemOf(error: unknown): ProblemDetails {
  const data = typeof error === 'object' && error !== null && 'data' in error ? error.data : undefined;
  if (typeof data === 'object' && data !== null && 'detail' in data) return data as ProblemDetails;
  return {
    status: 0,
    title: 'No answer',
    detail: 'The server does not answer. Check your signal and try again.',
  };
}

/** After so long an answer counts as none, ms: what was to be sent is kept, and sent again under the same id. */
export const PATIENCE_MS = 8000;

/** This page among all that have a job open: what it changed itself it is not told of. */
export const PAGE = nanoid(12);

/** Whether an answer is the last word: no answer, a fault of the server, a crowd before it or a sign-in that is missing are not. */
export const isFinal = (status: number): boolean =>
  status >= 400 && status < 500 && status !== 429 && status !== 401;

const ask = fetchBaseQuery({
  baseUrl: new URL('/api', window.location.href).href,
  prepareHeaders: (headers) => headers.set('X-Zygostat-Page', PAGE),
});

type Here = (path: string, state: unknown) => unknown;

/** What is answered in this browser when the server has nothing at an address: nothing, until a feature says so. */
export const answersHere = (): { answer: Here } => ({ answer: () => undefined });

/** Whether the server does not answer, or has no such thing. */
const hasNothing = (error: unknown) => [0, 404].includes(problemOf(error).status);

/** Asks; where the answer waits for a sign-in, the door is shut until there is one. */
const askAtTheDoor: typeof ask = async (what, told, more) => {
  const answer = await ask(what, told, more);
  if (!answer.error) return answer;
  if (problemOf(answer.error).signIn) told.dispatch(doorShut());
  const found =
    typeof what === 'string' && hasNothing(answer.error)
      ? (told.extra as Own)(answersHere).answer(what, told.getState())
      : undefined;
  return found === undefined ? answer : { data: found };
};

export const api = createApi({
  reducerPath: 'api',
  baseQuery: askAtTheDoor,
  tagTypes: ['Jobs', 'Job', 'Readings', 'Photos', 'Found', 'Record', 'Crew', 'Firm'],
  endpoints: () => ({}),
});
