import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice } from '../../fields';

/** A thermostat on the suction line of the indoor coil: opens while the coil ices over, closes when it has thawed. */
export const freezestat = defineDevice({
  kind: 'freezestat',
  title: 'Freezestat',
  inline: true,
  designations: () => [
    { mark: '1', role: 'contact', purpose: 'One side of the contact on the suction line.' },
    { mark: '2', role: 'contact', purpose: 'The other side; open while the coil is iced.' },
  ],
  params: {},
  settings: {},
  controls: { coil: choice('Coil', { clear: 'Clear', iced: 'Iced over' }, 'clear') },
  elements: () => [contact('contact', '1', '2')],
  interrupts: ['contact'],
  initial: {},
  positions: (_, { controls }) => ({ contact: controls.coil === 'clear' ? 'closed' : 'open' }),
  next: (state) => state,
  face: (_, { controls }) =>
    controls.coil === 'clear'
      ? { text: 'clear', tone: 'ok' }
      : {
          text: 'iced',
          tone: 'tripped',
          detail: 'Open on ice: look at the filter, the blower and the charge before it runs again.',
        },
  // The ice comes from cooling; the fan may go on and thaws it.
  safety: { control: 'coil', notices: () => ['frost'], tripped: 'iced', stops: ['chilled'], retrofit: true },
  faults: [
    { mode: 'stuck-closed', title: 'Stuck closed', likelihood: 1, elements: { contact: { ohms: 0.01 } } },
    { mode: 'stuck-open', title: 'Stuck open', likelihood: 2, elements: { contact: 'open' } },
  ],
});
