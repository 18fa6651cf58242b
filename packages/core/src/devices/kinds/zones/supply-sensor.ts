import { defineDevice } from '../../define';
import { load } from '../../element';

/** A thermistor at room temperature, the size zone panels take; from memory. */
const SENSOR_OHMS = 10_000;

/** A sensor in the supply duct on two wires: the panel stops a stage when the air comes too warm or too cold. */
export const supplySensor = defineDevice({
  kind: 'supply-sensor',
  title: 'Supply-air sensor',
  sealed: true,
  designations: () => [
    { mark: '1', role: 'contact', purpose: 'Sensor; which wire lands where is all the same.' },
    { mark: '2', role: 'contact', purpose: 'Sensor, other side.' },
  ],
  params: {},
  settings: {},
  controls: {},
  elements: () => [load('sensor', '1', '2', { ohms: SENSOR_OHMS })],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [
    { mode: 'open', title: 'Open inside', likelihood: 1, elements: { sensor: 'open' } },
    { mode: 'shorted', title: 'Shorted inside', likelihood: 0.5, elements: { sensor: { ohms: 1 } } },
  ],
});
