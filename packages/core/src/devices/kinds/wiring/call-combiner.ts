import { defineDevice } from '../../define';
import { load } from '../../element';
import { COMBINER_OHMS } from '../../parts/shared-conductor';

/** Puts two calls on one conductor: each through a resistance of its own, told apart at the other end. */
export const callCombiner = defineDevice({
  kind: 'call-combiner',
  title: 'Call combiner',
  designations: () => [
    { mark: 'IN1', role: 'call', purpose: 'First call from the thermostat.' },
    { mark: 'IN2', role: 'call', purpose: 'Second call from the thermostat.' },
    { mark: 'OUT', role: 'call', purpose: 'The shared conductor.' },
  ],
  params: {},
  settings: {},
  controls: {},
  elements: () => [
    load('first', 'IN1', 'OUT', { ohms: COMBINER_OHMS.first }),
    load('second', 'IN2', 'OUT', { ohms: COMBINER_OHMS.second }),
  ],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [],
});
