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
  windingWaits,
} from '../../parts/windings';

/** The outdoor fan's motor by its three leads. */
export const fanMotor = defineDevice({
  kind: 'fan-motor',
  title: 'Fan motor',
  known: { 'fan motor': {}, fan: {}, 'condenser fan': {}, 'outdoor fan': {}, ofm: {}, cfm: {}, motor: {} },
  sealed: true,
  designations: () => windingMarks('Fan', 'fan-start'),
  params: {
    serves: choice('The unit', { cool: 'Cools', pump: 'Heats and cools (heat pump)' }, 'cool'),
    ...windingParams({ volts: 240, amps: 1, mainOhms: 18, startOhms: 30, microfarads: 5 }),
  },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => windingElements(params, mains),
  loads: ({ params: { serves } }) => [{ id: 'fan', element: 'run', nature: 'motor', serves }],
  interrupts: ['overload'],
  stalls: stallOf,
  initial: WINDINGS_AT_REST,
  positions: windingPositions,
  next: (state, senses, moment) => windingNext(state, senses, moment),
  waits: (state, { params }) => windingWaits(state, params),
  face: windingFace,
  faults: windingFaults('Outdoor fan motor', false),
});
