import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice } from '../../fields';

/** The disconnect at the unit. One pole sits in the hot wire; two poles break both legs. */
export const serviceSwitch = defineDevice({
  kind: 'service-switch',
  known: { disconnect: { poles: 'two' } },
  title: 'Service switch',
  inline: true,
  designations: ({ poles }) =>
    poles === 'two'
      ? [
          { mark: 'LINE1', role: 'line', purpose: 'First leg in from the panel.' },
          { mark: 'LINE2', role: 'line', purpose: 'Second leg in from the panel.' },
          { mark: 'LOAD1', role: 'line', purpose: 'First leg out to the unit.' },
          { mark: 'LOAD2', role: 'line', purpose: 'Second leg out to the unit.' },
        ]
      : [
          { mark: 'LINE', role: 'line', purpose: 'Hot in from the panel; stays live with the switch off.' },
          { mark: 'LOAD', role: 'line', purpose: 'Hot out to the unit.' },
        ],
  params: { poles: choice('Poles', { one: 'One pole', two: 'Two poles' }, 'one') },
  settings: {},
  controls: { handle: choice('Switch', { on: 'On', off: 'Off' }, 'on') },
  elements: ({ params }) =>
    params.poles === 'two'
      ? [contact('pole1', 'LINE1', 'LOAD1'), contact('pole2', 'LINE2', 'LOAD2')]
      : [contact('pole1', 'LINE', 'LOAD')],
  isolates: { control: 'handle', off: 'off', on: 'on' },
  interrupts: ['pole1', 'pole2'],
  initial: {},
  positions: (_, { controls, params }) => {
    const pole = controls.handle === 'on' ? 'closed' : 'open';
    return params.poles === 'two' ? { pole1: pole, pole2: pole } : { pole1: pole };
  },
  next: (state) => state,
  face: (_, { controls }) => ({ text: controls.handle, tone: controls.handle === 'on' ? 'ok' : 'off' }),
  faults: [{ mode: 'burnt', title: 'Contact burnt open', likelihood: 1, elements: { pole1: 'open' } }],
});
