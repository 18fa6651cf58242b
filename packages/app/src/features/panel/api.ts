/** The building's fire panel: a stand-in for a device outside, reached as one (docs/fire-panel.md). */
import type { LoopReading } from '@zygostat/core/devices';
import { api } from '../../store/api';

type Condition = LoopReading | 'supervisory';

export interface PanelEvent {
  at: string;
  type: Condition | 'acknowledged' | 'silenced' | 'reset' | 'on-test' | 'off-test' | 'test-over';
  loop: string | null;
  /** Whether the monitoring company acts on it. */
  passedOn: boolean;
}

export interface FirePanel {
  name: string;
  condition: Condition;
  sounding: boolean;
  buzzing: boolean;
  onTestUntil: string | null;
  events: readonly PanelEvent[];
}

const pathOf = (id: string) => `fire-panels/${encodeURIComponent(id)}`;

const panelApi = api.injectEndpoints({
  endpoints: (build) => ({
    makePanel: build.mutation<FirePanel, { id: string; name: string }>({
      query: ({ id, name }) => ({ url: pathOf(id), method: 'PUT', body: { name } }),
    }),
    driveLoop: build.mutation<FirePanel, { id: string; loop: string; reads: LoopReading; milliamps: number }>(
      {
        query: ({ id, loop, ...body }) => ({
          url: `${pathOf(id)}/loops/${encodeURIComponent(loop)}`,
          method: 'PUT',
          body,
        }),
      },
    ),
    putOnTest: build.mutation<FirePanel, { id: string; minutes: number }>({
      query: ({ id, minutes }) => ({ url: `${pathOf(id)}/test`, method: 'PUT', body: { minutes } }),
      invalidatesTags: ['Jobs'],
    }),
    takeOffTest: build.mutation<FirePanel, { id: string }>({
      query: ({ id }) => ({ url: `${pathOf(id)}/test`, method: 'DELETE' }),
      invalidatesTags: ['Jobs'],
    }),
    actOnPanel: build.mutation<FirePanel, { id: string; act: 'acknowledge' | 'silence' | 'reset' }>({
      query: ({ id, act }) => ({ url: `${pathOf(id)}/${act}`, method: 'POST' }),
    }),
  }),
});

export const {
  useMakePanelMutation,
  useDriveLoopMutation,
  usePutOnTestMutation,
  useTakeOffTestMutation,
  useActOnPanelMutation,
} = panelApi;

/** Where a panel tells of itself. */
export const streamOf = (id: string) => new URL(`/api/${pathOf(id)}/stream`, window.location.href).href;
