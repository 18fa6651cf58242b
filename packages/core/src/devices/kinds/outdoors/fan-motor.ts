import { defineDevice } from '../../define';
import {
  WINDING_KIND,
  windingElements,
  windingFaults,
  windingMarks,
  windingParams,
} from '../../parts/windings';

/** The outdoor fan's motor by its three leads. */
export const fanMotor = defineDevice({
  kind: 'fan-motor',
  title: 'Fan motor',
  known: { 'fan motor': {}, fan: {}, 'condenser fan': {}, 'outdoor fan': {}, ofm: {}, cfm: {}, motor: {} },
  ...WINDING_KIND,
  designations: () => windingMarks('Fan', 'fan-start'),
  params: windingParams({ volts: 240, amps: 1, mainOhms: 18, startOhms: 30, microfarads: 5 }),
  elements: ({ params, mains }) => windingElements(params, mains),
  loads: ({ params: { serves } }) => [{ id: 'fan', element: 'run', nature: 'motor', serves }],
  faults: windingFaults('Outdoor fan motor', false),
});
