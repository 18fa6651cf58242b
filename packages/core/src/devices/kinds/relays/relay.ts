import { stepDelayed, when } from '../../parts/board';
import { coilElement, coilParams, pulledIn } from '../../parts/coil';
import { defineDevice } from '../../define';
import { openFault } from '../../parts/faults';
import { contact } from '../../element';
import { choice, num, seconds } from '../../fields';

/** A 24 V relay: fan relay, heater contactor or isolation relay, with its own delays. */
export const relay = defineDevice({
  kind: 'relay',
  title: 'Relay',
  sealed: true,
  designations: ({ poles }) => [
    { mark: 'A1', role: 'coil', purpose: 'Coil, fed by the call.' },
    { mark: 'A2', role: 'coil', purpose: 'Coil, returning to C.' },
    { mark: 'COM', role: 'line', purpose: 'Feed of the contact.' },
    { mark: 'NO', role: 'line', purpose: 'Closes when the relay pulls in.' },
    ...(poles === 'two'
      ? [
          { mark: 'COM2', role: 'line' as const, purpose: 'Feed of the second contact.' },
          { mark: 'NO2', role: 'line' as const, purpose: 'Second contact: closes with the first.' },
        ]
      : []),
  ],
  params: {
    poles: choice('Contacts', { one: 'One', two: 'Two' }, 'one'),
    serves: choice('Coil serves', { fan: 'Fan', heat: 'Heat', cool: 'Cooling' }, 'fan'),
    ...coilParams(4, 8),
    ratedAmps: num({
      label: 'Contact rating',
      unit: 'A',
      default: 12,
      min: 0.5,
      max: 60,
      source: 'read the label',
    }),
  },
  settings: { onS: seconds('Closes after', 0, 300), offS: seconds('Opens after', 0, 300) },
  controls: {},
  elements: ({ params, mains }) => [
    coilElement('coil', 'A1', 'A2', params, mains.hertz),
    contact('contact', 'COM', 'NO'),
    ...(params.poles === 'two' ? [contact('contact2', 'COM2', 'NO2')] : []),
  ],
  loads: ({ params }) => [{ id: 'coil', element: 'coil', nature: 'coil', serves: params.serves }],
  actuatedBy: { contact: [['coil']], contact2: [['coil']] },
  initial: { in: false as boolean, closed: false as boolean, at: null as number | null },
  positions: (state, { params }) => {
    const contacts = when(state.closed);
    const coil = state.in ? 'sealed' : 'inrush';
    return params.poles === 'two'
      ? { coil, contact: contacts, contact2: contacts }
      : { coil, contact: contacts };
  },
  next: (state, senses, { params, settings, now }) => {
    const felt = { volts: senses.volts('A1', 'A2'), amps: senses.amps('coil') };
    const pulled = pulledIn(state.in, felt, params);
    const contacts = stepDelayed({ on: state.closed, at: state.at }, pulled, settings, now);
    return { in: pulled, closed: contacts.on, at: contacts.at };
  },
  waits: ({ at, closed }, { settings }) =>
    at === null
      ? []
      : [
          {
            until: at,
            text: closed
              ? `opens ${settings.offS} s after its call`
              : `closes ${settings.onS} s after its call`,
          },
        ],
  face: (state) => (state.closed ? { text: 'pulled in', tone: 'busy' } : { text: 'open', tone: 'ok' }),
  faults: [
    { mode: 'coil-open', title: 'Coil open', likelihood: 3, elements: { coil: 'open' } },
    { mode: 'welded', title: 'Contact welded', likelihood: 2, elements: { contact: { ohms: 0.01 } } },
    { mode: 'burnt', title: 'Contact burnt open', likelihood: 2, elements: { contact: 'open' } },
    { mode: 'coil-shorted', title: 'Coil shorted', likelihood: 1, elements: { coil: { ohms: 0.5 } } },
    openFault('contact2', 'Second contact burnt open', 1),
  ],
});
