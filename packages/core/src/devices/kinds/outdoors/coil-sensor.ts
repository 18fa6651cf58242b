import { defineDevice } from '../../define';
import { load } from '../../element';
import { num } from '../../fields';

/** Tells the defrost board how cold the outdoor coil is. */
export const coilSensor = defineDevice({
  kind: 'coil-sensor',
  title: 'Coil sensor',
  known: { 'coil sensor': {}, 'defrost sensor': {}, sensor: {}, thermistor: {}, 'coil thermistor': {} },
  sealed: true,
  designations: () => [
    { mark: '1', role: 'contact', purpose: 'One lead of the sensor.' },
    { mark: '2', role: 'contact', purpose: 'The other lead.' },
  ],
  params: {
    ohms: num({
      label: 'At 25 °C',
      unit: 'Ω',
      default: 10000,
      min: 1000,
      max: 100000,
      source: 'read the label',
    }),
  },
  settings: {},
  controls: {},
  elements: ({ params }) => [load('thermistor', '1', '2', { ohms: params.ohms })],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [
    { mode: 'open', title: 'Sensor open', likelihood: 1, elements: { thermistor: 'open' } },
    { mode: 'shorted', title: 'Sensor shorted', likelihood: 0.5, elements: { thermistor: { ohms: 1 } } },
  ],
});
