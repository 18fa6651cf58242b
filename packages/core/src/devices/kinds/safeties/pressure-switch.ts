import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice } from '../../fields';

/** A refrigerant pressure switch: closed in its normal range, open outside it. */
export const pressureSwitch = defineDevice({
  kind: 'pressure-switch',
  title: 'Pressure switch',
  known: {
    'low pressure': { range: 'low' },
    'low pressure switch': { range: 'low' },
    lps: { range: 'low' },
    lp: { range: 'low' },
    'high pressure': { range: 'high' },
    'high pressure switch': { range: 'high' },
    hps: { range: 'high' },
    hp: { range: 'high' },
  },
  sealed: true,
  inline: true,
  designations: () => [
    { mark: '1', role: 'contact', purpose: 'One side of the pressure contact.' },
    { mark: '2', role: 'contact', purpose: 'The other side of the pressure contact.' },
  ],
  params: { range: choice('Opens on', { low: 'Low pressure', high: 'High pressure' }, 'low') },
  settings: {},
  controls: { pressure: choice('Pressure', { normal: 'Normal', outside: 'Tripped' }, 'normal') },
  elements: () => [contact('contact', '1', '2')],
  interrupts: ['contact'],
  initial: {},
  positions: (_, { controls }) => ({ contact: controls.pressure === 'normal' ? 'closed' : 'open' }),
  next: (state) => state,
  face: (_, { controls, params }) =>
    controls.pressure === 'normal'
      ? { text: 'closed', tone: 'ok' }
      : {
          text: 'open',
          tone: 'tripped',
          detail: `Open on ${params.range} pressure: a refrigeration fault, not a wiring one.`,
        },
  safety: {
    control: 'pressure',
    notices: ({ range }) => [range === 'high' ? 'high-pressure' : 'low-pressure'],
    tripped: 'outside',
    stops: ['compressor'],
  },
  faults: [
    { mode: 'stuck-open', title: 'Stuck open', likelihood: 1, elements: { contact: 'open' } },
    { mode: 'stuck-closed', title: 'Stuck closed', likelihood: 0.5, elements: { contact: { ohms: 0.01 } } },
  ],
});
