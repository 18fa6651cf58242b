/** What there is of a job besides its circuit. */
import type { Circuit } from '@zygostat/core/circuit';
import type { Firm } from '@zygostat/core/record';
import { PATIENCE_MS, api } from '../../store/api';

export interface Job {
  id: string;
  name: string;
  site: string;
  /** Of the site; empty where nobody entered it. */
  address: string;
  siteId: string;
  system: string;
  notes: string;
  state: 'open' | 'done';
  /** Out of the list until it is searched for or brought back. */
  isAway: boolean;
  /** Who brought it in from elsewhere; `null` where it was made here. */
  broughtBy: string | null;
  broughtAt: string | null;
  createdAt: string;
  updatedAt: string;
  revision: number;
  readings: number;
  disagreeing: number;
  /** Safeties that are bypassed. */
  bypasses: number;
}

export interface OpenedJob extends Job {
  circuit: Circuit;
}

export interface NewJob {
  /** Made here, so that one sent twice is begun once; the site's counts where there is none of that name. */
  id: string;
  siteId: string;
  name: string;
  site: string;
  template?: string | undefined;
  circuit?: Circuit | undefined;
  survey?: true;
}

export interface JobChange {
  id: string;
  change: Partial<Pick<Job, 'name' | 'notes' | 'state' | 'isAway'>> & {
    /** A line more for the notes, under whatever is there by then. */
    addNote?: string;
    /** Name and notes as they were when they were changed. */
    was?: Partial<Pick<Job, 'name' | 'notes'>>;
  };
}

/** A safety that is bypassed on some job. */
interface OpenBypass {
  job: string;
  name: string;
  site: string;
  bypass: string;
  label: string;
  until: string;
  by: string;
  /** Who took it over. */
  to: string | null;
}

export const jobsApi = api.injectEndpoints({
  endpoints: (build) => ({
    listBypasses: build.query<OpenBypass[], undefined>({ query: () => 'bypasses', providesTags: ['Jobs'] }),
    listPanels: build.query<{ id: string; name: string; onTestUntil: string | null }[], undefined>({
      query: () => 'fire-panels',
      providesTags: ['Jobs'],
    }),
    listJobs: build.query<Job[], { search?: string; away?: true }>({
      // Without a "?" where nothing is looked for: the address it is kept under for days without signal.
      query: (params) => ({ url: 'jobs', ...(Object.keys(params).length > 0 && { params }) }),
      providesTags: ['Jobs'],
    }),
    listSites: build.query<{ id: string; name: string }[], undefined>({
      query: () => 'sites',
      providesTags: ['Jobs'],
    }),
    site: build.query<{ id: string; name: string; address: string; jobs: Job[] }, string>({
      query: (id) => `sites/${encodeURIComponent(id)}`,
      providesTags: ['Jobs'],
    }),
    setAddress: build.mutation<unknown, { id: string; address: string; was: string }>({
      query: ({ id, ...body }) => ({
        url: `sites/${encodeURIComponent(id)}`,
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Jobs', 'Job'],
    }),
    firm: build.query<Firm, undefined>({ query: () => 'firm', providesTags: ['Firm'] }),
    setFirm: build.mutation<Firm, Firm & { was: Firm }>({
      query: (body) => ({ url: 'firm', method: 'PUT', body }),
      invalidatesTags: ['Firm'],
    }),
    openJob: build.query<OpenedJob, string>({
      query: (id) => `jobs/${encodeURIComponent(id)}`,
      providesTags: (_result, _error, id) => [{ type: 'Job', id }],
    }),
    createJob: build.mutation<Job, NewJob>({
      query: (body) => ({ url: 'jobs', method: 'POST', body, timeout: PATIENCE_MS }),
      invalidatesTags: (_result, _error, { id }) => ['Jobs', { type: 'Job', id }],
    }),
    readBundle: build.mutation<{ jobs: { id: string; name: string }[] }, Blob>({
      query: (body) => ({
        url: 'bundles',
        method: 'POST',
        headers: { 'Content-Type': 'application/zip' },
        body,
      }),
      invalidatesTags: ['Jobs'],
    }),
    changeJob: build.mutation<Job, JobChange>({
      query: ({ id, change }) => ({ url: `jobs/${encodeURIComponent(id)}`, method: 'PATCH', body: change }),
      invalidatesTags: (_result, _error, { id }) => ['Jobs', { type: 'Job', id }],
    }),
  }),
});

export const {
  useFirmQuery,
  useListBypassesQuery,
  useListJobsQuery,
  useListPanelsQuery,
  useListSitesQuery,
  useSetAddressMutation,
  useSetFirmMutation,
  useSiteQuery,
  useReadBundleMutation,
  useOpenJobQuery,
} = jobsApi;
