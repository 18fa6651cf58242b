import { flow } from '../../channels';
import { defineDevice } from '../../define';
import {
  WINDING_KIND,
  windingElements,
  windingFaults,
  windingMarks,
  windingParams,
  windingRuns,
} from '../../parts/windings';

/** Heat moved for each watt the compressor takes, and its power factor. From memory. */
const COP = 3;
const POWER_FACTOR = 0.95;

/** A compressor by its three pins, with its overload inside. */
export const compressor = defineDevice({
  kind: 'hermetic-compressor',
  title: 'Compressor',
  known: { compressor: {}, comp: {}, compr: {}, cmp: {} },
  ...WINDING_KIND,
  designations: () => windingMarks('Compressor', 'compressor-start'),
  params: windingParams({ volts: 240, amps: 9, mainOhms: 1.2, startOhms: 3.6, microfarads: 35 }),
  elements: ({ params, mains }) => windingElements(params, mains),
  seenAs: ['outdoor-cabinet'],
  loads: ({ params: { serves } }) => [{ id: 'compressor', element: 'run', nature: 'compressor', serves }],
  gives: (state, { params }) => {
    const watts = windingRuns(state) ? params.volts * params.amps * POWER_FACTOR * COP : 0;
    return params.serves === 'pump' ? { pumps: flow(watts) } : { chills: flow(watts) };
  },
  // Another compressor is refrigerant work.
  faults: windingFaults('Compressor', true),
});
