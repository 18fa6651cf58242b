import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice } from '../../fields';

/** A condensate float: its COM–NC contact opens when the water rises. */
export const floatSwitch = defineDevice({
  kind: 'float-switch',
  title: 'Float switch',
  inline: true,
  designations: () => [
    { mark: 'COM', role: 'contact', purpose: 'Common side of the float contact.' },
    { mark: 'NC', role: 'contact', purpose: 'Closed while dry; opens when the float rises.' },
  ],
  params: {
    place: choice(
      'Where it sits',
      { pan: 'Pan, at the lowest corner', line: 'Drain line', port: 'Secondary port' },
      'pan',
    ),
  },
  settings: {},
  controls: { level: choice('Float', { dry: 'Down (dry)', wet: 'Up (wet)' }, 'dry') },
  elements: () => [contact('contact', 'COM', 'NC')],
  interrupts: ['contact'],
  initial: {},
  positions: (_, { controls }) => ({ contact: controls.level === 'dry' ? 'closed' : 'open' }),
  next: (state) => state,
  face: (_, { controls }) =>
    controls.level === 'dry'
      ? { text: 'dry', tone: 'ok' }
      : { text: 'wet', tone: 'tripped', detail: 'Float up: clear the drain before anything else.' },
  // The water comes from cooling; the fan may go on.
  safety: { control: 'level', notices: 'water', tripped: 'wet', stops: ['chilled'], retrofit: true },
  faults: [
    { mode: 'stuck-closed', title: 'Stuck closed', likelihood: 2, elements: { contact: { ohms: 0.01 } } },
    { mode: 'stuck-open', title: 'Stuck open', likelihood: 1, elements: { contact: 'open' } },
  ],
});
