import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Verdict } from '@zygostat/core/behaviour';
import type { Circuit, Problem } from '@zygostat/core/circuit';
import type { MeterMode } from '@zygostat/core/network';
import type { MeterKind } from '@zygostat/core/standards';
import type { Survey } from '@zygostat/core/survey';
import type { Plan } from '@zygostat/core/wire';

export interface Job {
  id: string;
  name: string;
  site: string;
  system: string;
  notes: string;
  state: 'open' | 'done';
  createdAt: string;
  updatedAt: string;
  revision: number;
  readings: number;
  disagreeing: number;
}

export interface OpenedJob extends Job {
  circuit: Circuit;
}

export interface NewJob {
  name: string;
  site: string;
  template?: string;
  circuit?: unknown;
  survey?: true;
}

export interface SavedSurvey {
  /** Counts the saves; 0 before the first. */
  number: number;
  survey: Survey;
}

export interface SavedPlan {
  number: number;
  plan: Plan | null;
}

export interface Pin {
  /** Shares of the picture’s width and height. */
  x: number;
  y: number;
  terminal: string;
}

export interface Photo {
  id: string;
  station: string;
  width: number;
  height: number;
  pins: Pin[];
  createdAt: string;
}

export interface NewReading {
  revision: number;
  mode: MeterMode;
  meter: MeterKind;
  red: string;
  black: string;
  /** `null` is an open loop. */
  expected: number | null;
  actual: number | null;
  situation: string;
}

export interface LoggedReading extends NewReading {
  id: string;
  unit: 'V' | 'Ω' | 'A';
  verdict: Verdict;
  createdAt: string;
}

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
  tagTypes: ['Jobs', 'Job', 'Readings', 'Photos'],
  endpoints: (build) => ({
    listJobs: build.query<Job[], string>({
      query: (search) => ({ url: 'jobs', params: search ? { search } : {} }),
      providesTags: ['Jobs'],
    }),
    listSites: build.query<{ id: string; name: string }[], undefined>({
      query: () => 'sites',
      providesTags: ['Jobs'],
    }),
    openJob: build.query<OpenedJob, string>({
      query: (id) => `jobs/${encodeURIComponent(id)}`,
      providesTags: (_result, _error, id) => [{ type: 'Job', id }],
    }),
    createJob: build.mutation<Job, NewJob>({
      query: (body) => ({ url: 'jobs', method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
    changeJob: build.mutation<Job, { id: string; change: Partial<Pick<Job, 'name' | 'notes' | 'state'>> }>({
      query: ({ id, change }) => ({ url: `jobs/${encodeURIComponent(id)}`, method: 'PATCH', body: change }),
      invalidatesTags: (_result, _error, { id }) => ['Jobs', { type: 'Job', id }],
    }),
    saveRevision: build.mutation<
      { number: number },
      { id: string; base: number; circuit: Circuit; note: string }
    >({
      query: ({ id, ...body }) => ({ url: `jobs/${encodeURIComponent(id)}/revisions`, method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
    listReadings: build.query<LoggedReading[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/readings`,
      providesTags: (_result, _error, id) => [{ type: 'Readings', id }],
    }),
    logReading: build.mutation<LoggedReading, { id: string; reading: NewReading }>({
      query: ({ id, reading }) => ({
        url: `jobs/${encodeURIComponent(id)}/readings`,
        method: 'POST',
        body: reading,
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Readings', id }, 'Jobs'],
    }),
    readSurvey: build.query<SavedSurvey, string>({ query: (id) => `jobs/${encodeURIComponent(id)}/survey` }),
    saveSurvey: build.mutation<SavedSurvey, { id: string; base: number; survey: Survey }>({
      query: ({ id, ...body }) => ({ url: `jobs/${encodeURIComponent(id)}/survey`, method: 'PUT', body }),
      invalidatesTags: ['Jobs'],
    }),
    readPlan: build.query<SavedPlan, string>({ query: (id) => `jobs/${encodeURIComponent(id)}/plan` }),
    savePlan: build.mutation<SavedPlan, { id: string; base: number; plan: Plan | null }>({
      query: ({ id, ...body }) => ({ url: `jobs/${encodeURIComponent(id)}/plan`, method: 'PUT', body }),
    }),
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
    listPhotos: build.query<Photo[], string>({
      query: (id) => `jobs/${encodeURIComponent(id)}/photos`,
      providesTags: (_result, _error, id) => [{ type: 'Photos', id }],
    }),
    addPhoto: build.mutation<Photo, { id: string; station: string; file: Blob }>({
      query: ({ id, station, file }) => ({
        url: `jobs/${encodeURIComponent(id)}/photos`,
        method: 'POST',
        params: { station },
        headers: { 'Content-Type': file.type.startsWith('image/') ? file.type : 'application/octet-stream' },
        body: file,
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Photos', id }],
    }),
    pinPhoto: build.mutation<Photo, { id: string; photo: string; pins: Pin[] }>({
      query: ({ id, photo, pins }) => ({
        url: `jobs/${encodeURIComponent(id)}/photos/${encodeURIComponent(photo)}`,
        method: 'PATCH',
        body: { pins },
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Photos', id }],
    }),
    removePhoto: build.mutation<null, { id: string; photo: string }>({
      query: ({ id, photo }) => ({
        url: `jobs/${encodeURIComponent(id)}/photos/${encodeURIComponent(photo)}`,
        method: 'DELETE',
      }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Photos', id }],
    }),
  }),
});

export const {
  useListJobsQuery,
  useListSitesQuery,
  useOpenJobQuery,
  useChangeJobMutation,
  useCreateJobMutation,
  useListReadingsQuery,
  useLogReadingMutation,
  useListPhotosQuery,
  useAddPhotoMutation,
  usePinPhotoMutation,
  useRemovePhotoMutation,
  usePreviewScheduleMutation,
} = api;
