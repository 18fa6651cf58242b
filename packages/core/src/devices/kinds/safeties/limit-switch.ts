import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice } from '../../fields';
import { when } from '../../parts/board';

/** A thermal contact of a heating appliance: a high limit that closes again by itself, or a roll-out switch with a button. */
export const limitSwitch = defineDevice({
  kind: 'limit-switch',
  title: 'Limit or roll-out switch',
  inline: true,
  designations: () => [
    { mark: '1', role: 'contact', purpose: 'One side of the thermal contact.' },
    { mark: '2', role: 'contact', purpose: 'The other side; open while it is too hot.' },
  ],
  params: {
    type: choice('It is a', { limit: 'High limit', rollOut: 'Roll-out switch, reset by hand' }, 'limit'),
  },
  settings: {},
  controls: {
    heat: choice('Heat at it', { normal: 'Normal', over: 'Too hot' }, 'normal'),
    button: choice('Reset button', { out: 'Not pressed', pressed: 'Pressed' }, 'out'),
  },
  elements: () => [contact('contact', '1', '2')],
  interrupts: ['contact'],
  initial: { open: false as boolean },
  positions: ({ open }, { controls }) => ({ contact: when(!open && controls.heat === 'normal') }),
  next: ({ open }, _, { controls, params }) => ({
    open: controls.heat === 'over' || (open && params.type === 'rollOut' && controls.button !== 'pressed'),
  }),
  face: ({ open }, { params }) =>
    open
      ? {
          text: 'open',
          tone: 'tripped',
          detail:
            params.type === 'rollOut'
              ? 'Flame left its chamber: find out why before it is reset. Gas work may be reserved to licensed people.'
              : 'Too hot: find the airflow fault. Never bypass it.',
        }
      : { text: 'closed', tone: 'ok' },
  safety: {
    control: 'heat',
    notices: ({ type }) => (type === 'rollOut' ? ['flame-outside'] : ['heat']),
    tripped: 'over',
    stops: ['heat'],
  },
  faults: [
    { mode: 'stuck-open', title: 'Stuck open', likelihood: 2, elements: { contact: 'open' }, mend: 'defer' },
    {
      mode: 'stuck-closed',
      title: 'Stuck closed',
      likelihood: 0.5,
      elements: { contact: { ohms: 0.01 } },
      mend: 'defer',
    },
  ],
});
