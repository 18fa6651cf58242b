import { defineDevice } from '../../define';
import { impedanceOf, load } from '../../element';
import { num } from '../../fields';
import { openFault } from '../../parts/faults';

/** Keeps the oil of a compressor at rest warm. No call starts or stops it. */
export const crankcaseHeater = defineDevice({
  kind: 'crankcase-heater',
  title: 'Crankcase heater',
  known: { 'crankcase heater': {}, crankcase: {}, heater: {}, cch: {}, 'sump heater': {} },
  sealed: true,
  designations: () => [
    { mark: '1', role: 'line', purpose: 'One lead of the heater.' },
    { mark: '2', role: 'line', purpose: 'The other lead.' },
  ],
  params: {
    volts: num({
      label: 'Rated volts',
      unit: 'V',
      default: 240,
      min: 100,
      max: 480,
      source: 'read the label',
    }),
    watts: num({ label: 'Draws', unit: 'W', default: 40, min: 10, max: 300, source: 'read the label' }),
  },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => [
    load('heater', '1', '2', impedanceOf(params.volts, params.watts, 1, mains.hertz)),
  ],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [openFault('heater', 'Heater open', 1)],
});
