import { defineDevice } from '../../define';
import { EARTH, path } from '../../element';
import { STRAP_OHMS } from '../wiring/jumper';

/** Where a cabinet meets protective earth. */
export const earthLug = defineDevice({
  kind: 'earth-lug',
  title: 'Earth',
  known: { earth: {}, ground: {}, gnd: {}, grd: {}, pe: {}, 'earth lug': {}, 'ground lug': {}, chassis: {} },
  designations: () => [{ mark: 'PE', role: 'earth', purpose: 'Protective earth of the cabinet.', takes: 6 }],
  params: {},
  settings: {},
  controls: {},
  elements: () => [path('lug', 'PE', EARTH, STRAP_OHMS)],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [],
});
