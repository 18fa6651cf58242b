import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { choice } from '../../fields';
import {
  WINDINGS_AT_REST,
  stallOf,
  windingElements,
  windingFace,
  windingFaults,
  windingMarks,
  windingNext,
  windingParams,
  windingPositions,
  windingRuns,
  windingWaits,
} from '../../parts/windings';

/** Heat moved for each watt the compressor takes, and its power factor. From memory. */
const COP = 3;
const POWER_FACTOR = 0.95;

/** A compressor by its three pins, with its overload inside. */
export const compressor = defineDevice({
  kind: 'hermetic-compressor',
  title: 'Compressor',
  known: { compressor: {}, comp: {}, compr: {}, cmp: {} },
  sealed: true,
  designations: () => windingMarks('Compressor', 'compressor-start'),
  params: {
    serves: choice('The unit', { cool: 'Cools', pump: 'Heats and cools (heat pump)' }, 'cool'),
    ...windingParams({ volts: 240, amps: 9, mainOhms: 1.2, startOhms: 3.6, microfarads: 35 }),
  },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => windingElements(params, mains),
  seenAs: ['outdoor-cabinet'],
  loads: ({ params: { serves } }) => [{ id: 'compressor', element: 'run', nature: 'compressor', serves }],
  interrupts: ['overload'],
  stalls: stallOf,
  initial: WINDINGS_AT_REST,
  positions: windingPositions,
  next: (state, senses, moment) => windingNext(state, senses, moment),
  waits: (state, { params }) => windingWaits(state, params),
  face: windingFace,
  gives: (state, { params }) => {
    const watts = windingRuns(state) ? params.volts * params.amps * POWER_FACTOR * COP : 0;
    return params.serves === 'pump' ? { pumps: flow(watts) } : { chills: flow(watts) };
  },
  // Another compressor is refrigerant work.
  faults: windingFaults('Compressor', true),
});
