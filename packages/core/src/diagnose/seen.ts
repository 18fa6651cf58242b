/** What a person sees, hears and feels running. */
import type { Circuit } from '../circuit';
import { loadsOf } from '../devices';
import type { LoadNature } from '../devices';
import type { Prediction } from './dictionary';
import type { Observation } from './observation';

/** What is noticed without opening anything. */
const NOTICED: ReadonlySet<LoadNature> = new Set(['flame', 'strip', 'compressor', 'motor']);

/** Loads a person notices, by device. */
export const noticedLoads = ({ devices, mains }: Circuit): { device: string; load: string }[] =>
  devices.flatMap((device) =>
    loadsOf(device, mains)
      .filter(({ nature }) => NOTICED.has(nature))
      .map((load) => ({ device: device.id, load: load.id })),
  );

/** What runs in a state, load by load, and what is felt of it, as a prediction has it. */
export const seenRunning = (circuit: Circuit, state: string, { runs, air }: Prediction): Observation[] => [
  { type: 'air', state, air },
  ...noticedLoads(circuit).map(({ device, load }): Observation => ({
    type: 'runs',
    state,
    device,
    load,
    on: runs.has(`${device}/${load}`),
  })),
];
