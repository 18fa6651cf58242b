/** The air between the modules of a wireless link: a stand-in for something outside, reached as one (docs/wireless-link.md). */
import type { OnAir } from '@zygostat/core/behaviour';
import { api } from '../../store/api';

export interface Air {
  metres: number;
  walls: number;
  interference: 'none' | 'bursts' | 'jammed';
}

interface LinkModule {
  pair: number | null;
  powered: boolean;
  hears: { from: string; says: readonly string[]; marginDb: number } | null;
}

export interface WirelessLink {
  name: string;
  air: Air;
  modules: Readonly<Record<string, LinkModule>>;
  pairing: { module: string; until: string } | null;
}

const pathOf = (id: string) => `wireless-links/${encodeURIComponent(id)}`;
const moduleAt = (id: string, module: string) => `${pathOf(id)}/modules/${encodeURIComponent(module)}`;

const linkApi = api.injectEndpoints({
  endpoints: (build) => ({
    makeLink: build.mutation<WirelessLink, { id: string; name: string }>({
      query: ({ id, name }) => ({ url: pathOf(id), method: 'PUT', body: { name } }),
    }),
    tellModule: build.mutation<WirelessLink, { id: string; module: OnAir }>({
      query: ({ id, module: { device, pair, powered, says } }) => ({
        url: moduleAt(id, device),
        method: 'PUT',
        body: { pair, powered, silent: false, says },
      }),
    }),
    setAir: build.mutation<WirelessLink, { id: string; air: Air }>({
      query: ({ id, air }) => ({ url: `${pathOf(id)}/air`, method: 'PUT', body: air }),
    }),
    pressPair: build.mutation<WirelessLink, { id: string; module: string }>({
      query: ({ id, module }) => ({ url: `${moduleAt(id, module)}/pair`, method: 'POST' }),
    }),
    unpair: build.mutation<WirelessLink, { id: string; module: string }>({
      query: ({ id, module }) => ({ url: `${moduleAt(id, module)}/pair`, method: 'DELETE' }),
    }),
  }),
});

export const {
  useMakeLinkMutation,
  useTellModuleMutation,
  useSetAirMutation,
  usePressPairMutation,
  useUnpairMutation,
} = linkApi;
