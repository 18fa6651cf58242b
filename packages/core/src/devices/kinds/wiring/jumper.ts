import { defineDevice } from '../../define';
import { path } from '../../element';
import { choice } from '../../fields';

/** A strap or lead between two screws, ohms, from memory. */
export const STRAP_OHMS = 0.005;

/**
 * A jumper between two terminals. In the circuit document it is a link of kind
 * `jumper`; a splice found ready-made is a link of kind `splice`. Both compile
 * to this device with one end at each joined terminal.
 */
export const jumper = defineDevice({
  kind: 'jumper',
  title: 'Jumper',
  inline: true,
  designations: () => [
    { mark: 'A', role: 'contact', purpose: 'One end of the jumper.' },
    { mark: 'B', role: 'contact', purpose: 'The other end of the jumper.' },
  ],
  params: {},
  settings: {},
  controls: { state: choice('Jumper', { on: 'In place', off: 'Taken off' }, 'on') },
  elements: () => [
    { ...path('strap', 'A', 'B', STRAP_OHMS), positions: { on: { ohms: STRAP_OHMS }, off: 'open' } },
  ],
  initial: {},
  positions: (_, { controls }) => ({ strap: controls.state }),
  next: (state) => state,
  face: (_, { controls }) =>
    controls.state === 'on' ? { text: 'on', tone: 'ok' } : { text: 'off', tone: 'off' },
  faults: [{ mode: 'loose', title: 'Loose', likelihood: 1, elements: { strap: 'open' } }],
});
