import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice } from '../../fields';

/** The interlock behind a unit's door: open door, no power to the unit. */
export const doorSwitch = defineDevice({
  kind: 'door-switch',
  title: 'Door switch',
  inline: true,
  designations: () => [
    { mark: 'LINE', role: 'line', purpose: 'Hot in; stays live with the door off.' },
    { mark: 'LOAD', role: 'line', purpose: 'Hot out to the unit while the door is on.' },
  ],
  params: {},
  settings: {},
  controls: { door: choice('Door', { closed: 'On', open: 'Off' }, 'closed') },
  elements: () => [contact('switch', 'LINE', 'LOAD')],
  interrupts: ['switch'],
  initial: {},
  positions: (_, { controls }) => ({ switch: controls.door === 'closed' ? 'closed' : 'open' }),
  next: (state) => state,
  face: (_, { controls }) =>
    controls.door === 'closed'
      ? { text: 'door on', tone: 'ok' }
      : { text: 'door off', tone: 'off', detail: 'The unit is dead while its door is off.' },
  faults: [
    {
      mode: 'not-made',
      title: 'Door does not press the switch',
      likelihood: 1,
      elements: { switch: 'open' },
      mend: 'refit',
    },
    { mode: 'door-off', title: 'Door not on', likelihood: 2, controls: { door: 'open' }, mend: 'refit' },
  ],
});
