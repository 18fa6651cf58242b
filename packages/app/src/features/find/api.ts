/** What was confirmed before, and the bench meter: a simulated site with a hidden fault, reached as an outside device is. */
import type { Complaint, Experience, Observation } from '@zygostat/core/diagnose';
import { api } from '../../store/api';

const meterPath = (id: string) => `bench-meters/${encodeURIComponent(id)}`;

export interface Probing {
  state: string;
  mode: 'ac-volts' | 'ohms';
  red: string;
  black: string;
}

/** What a step that is no reading asks. */
export interface Asked {
  type: string;
  state?: string;
  device?: string;
  cable?: string;
  conductor?: string;
}

const findApi = api.injectEndpoints({
  endpoints: (build) => ({
    found: build.query<Experience, undefined>({ query: () => 'found', providesTags: ['Found'] }),
    confirm: build.mutation<unknown, { job: string; id: string; name: string }>({
      query: ({ job, ...body }) => ({ url: `jobs/${encodeURIComponent(job)}/found`, method: 'POST', body }),
      invalidatesTags: ['Found'],
    }),
    setFactor: build.mutation<unknown, { name: string; factor: number }>({
      query: (body) => ({ url: 'found/factors', method: 'PUT', body }),
      invalidatesTags: ['Found'],
    }),
    forgetFound: build.mutation<unknown, undefined>({
      query: () => ({ url: 'found', method: 'DELETE' }),
      invalidatesTags: ['Found'],
    }),
    startMeter: build.mutation<{ id: string; complaint: Complaint | null }, { job: string }>({
      query: (body) => ({ url: 'bench-meters', method: 'POST', body }),
    }),
    putProbes: build.mutation<unknown, { meter: string; probing: Probing }>({
      query: ({ meter, probing }) => ({ url: `${meterPath(meter)}/probes`, method: 'PUT', body: probing }),
    }),
    observe: build.mutation<{ observed: Observation[] }, { meter: string; asked: Asked }>({
      query: ({ meter, asked }) => ({ url: `${meterPath(meter)}/observe`, method: 'POST', body: asked }),
    }),
    repair: build.mutation<{ sound: boolean }, { meter: string; remedy: string }>({
      query: ({ meter, remedy }) => ({ url: `${meterPath(meter)}/repair`, method: 'POST', body: { remedy } }),
    }),
  }),
});

export const {
  useFoundQuery,
  useConfirmMutation,
  useForgetFoundMutation,
  useSetFactorMutation,
  useStartMeterMutation,
  usePutProbesMutation,
  useObserveMutation,
  useRepairMutation,
} = findApi;

/** Where a meter's readings stream from. */
export const streamOf = (id: string) => new URL(`/api/${meterPath(id)}/stream`, window.location.href).href;
