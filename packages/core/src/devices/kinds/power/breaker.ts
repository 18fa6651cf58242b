import { breakerSeconds, carrying, stepOverload } from '../../parts/overcurrent';
import { defineDevice } from '../../define';
import { contact, EARTH, path } from '../../element';
import { choice, num } from '../../fields';

/** Source impedance of a branch circuit at its breaker: from memory, about 1 kA prospective. */
const SERVICE = { ohms: 0.1, henries: 0.1e-3 };
/** Neutral is bonded to earth at the service. Ohms, from memory. */
const BOND_OHMS = 0.02;

/** A branch circuit's breaker with the service behind it: where the power comes from. */
export const breaker = defineDevice({
  kind: 'breaker',
  title: 'Breaker',
  designations: ({ poles }) => [
    { mark: 'L1', role: 'line', purpose: 'Line voltage out of the breaker.' },
    ...(poles === 'two'
      ? [{ mark: 'L2', role: 'line' as const, purpose: 'The second leg, opposite in phase to L1.' }]
      : [{ mark: 'N', role: 'neutral' as const, purpose: 'Neutral bar of the panel.' }]),
    { mark: 'PE', role: 'earth', purpose: 'Protective earth bar of the panel.' },
  ],
  params: {
    poles: choice('Poles', { one: 'One pole', two: 'Two poles' }, 'one'),
    rating: num({ label: 'Rating', unit: 'A', default: 15, min: 1, max: 125, source: 'read the label' }),
  },
  settings: {},
  controls: { handle: choice('Handle', { on: 'On', off: 'Off' }, 'on') },
  elements: ({ params, mains }) => {
    const source = (id: string, a: string, phaseDegrees: number) =>
      ({
        kind: 'source',
        id,
        a,
        b: EARTH,
        volts: mains.volts,
        phaseDegrees,
        frequency: 'mains',
        impedance: SERVICE,
      }) as const;
    const first = [
      source('leg1', '#leg1', 0),
      contact('pole1', '#leg1', 'L1'),
      path('earth', 'PE', EARTH, BOND_OHMS),
    ];
    return params.poles === 'two'
      ? [...first, source('leg2', '#leg2', 180), contact('pole2', '#leg2', 'L2')]
      : [...first, path('neutral', 'N', EARTH, BOND_OHMS)];
  },
  isolates: { control: 'handle', off: 'off', on: 'on' },
  interrupts: ['pole1', 'pole2'],
  initial: carrying,
  positions: (state, { controls, params }) => {
    const pole = controls.handle === 'on' && !state.open ? 'closed' : 'open';
    return params.poles === 'two' ? { pole1: pole, pole2: pole } : { pole1: pole };
  },
  next: (state, senses, { controls, params, now }) => {
    // Full off resets the mechanism, as a tripped handle demands.
    if (controls.handle === 'off') return carrying;
    const amps = Math.max(senses.amps('pole1'), params.poles === 'two' ? senses.amps('pole2') : 0);
    return stepOverload(state, breakerSeconds(amps / params.rating), now);
  },
  waits: ({ opensAt }) => (opensAt === null ? [] : [{ until: opensAt, text: 'overloaded, about to trip' }]),
  face: (state, { controls }) =>
    controls.handle === 'off'
      ? { text: 'off', tone: 'off' }
      : state.open
        ? { text: 'tripped', tone: 'tripped', detail: 'Push the handle fully off, then on.' }
        : { text: 'on', tone: 'ok' },
  protects: {
    element: 'pole1',
    held: 'closed',
    opensIn: (amps, { rating }) => breakerSeconds(amps / Number(rating)),
  },
  faults: [
    {
      mode: 'tripped',
      title: 'Tripped: its handle stands between on and off',
      likelihood: 3,
      elements: { pole1: 'open', pole2: 'open' },
      shows: 'tripped',
      mend: 'reset',
    },
    {
      mode: 'no-output',
      title: 'Does not pass current',
      likelihood: 0.3,
      elements: { pole1: 'open' },
      mend: 'defer',
    },
  ],
});
