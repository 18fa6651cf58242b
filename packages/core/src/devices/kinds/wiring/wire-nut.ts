import { defineDevice } from '../../define';

/** A splice: every conductor under it meets at one point. */
export const wireNut = defineDevice({
  kind: 'wire-nut',
  title: 'Wire nut',
  known: { splice: {}, joint: {}, nut: {} },
  designations: () => [{ mark: 'NUT', role: 'splice', purpose: 'Conductors joined under one wire nut.' }],
  splices: true,
  params: {},
  settings: {},
  controls: {},
  elements: () => [],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [],
});
