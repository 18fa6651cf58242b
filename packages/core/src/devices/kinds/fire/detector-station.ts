import { when } from '../../parts/board';
import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import { STATION_WAYS, pressedContact } from '../../parts/station-signal';
import { impedanceOf, load } from '../../element';
import { choice, num } from '../../fields';
import { openFault } from '../../parts/faults';

/** Volts from which a lamp is seen, from memory. */
const LIT_FROM_VOLTS = 12;

/** A remote station of a duct detector: a green lamp for supply, a red one for alarm, and a way to test and reset it. */
export const detectorStation = defineDevice({
  kind: 'detector-station',
  title: 'Remote station',
  designations: () => [
    { mark: 'S+', pairs: true, role: 'hot', purpose: 'From S+ of its detector.' },
    { mark: 'S-', pairs: true, role: 'common', purpose: 'From S- of its detector.' },
    { mark: 'LAMP', pairs: true, role: 'call', purpose: 'Red lamp: hot while its detector is in alarm.' },
    { mark: 'T/R', pairs: true, role: 'contact', purpose: 'Test and reset, to T/R of its detector.' },
  ],
  params: {
    works: choice('Tests and resets with', STATION_WAYS, 'key'),
    lampVa: num({ label: 'Each lamp', unit: 'VA', default: 0.5, min: 0.05, max: 3, source: 'from memory' }),
  },
  settings: {},
  controls: { press: choice('Test and reset', { out: 'Not held', held: 'Held' }, 'out') },
  elements: ({ params, mains }) => [
    load('green', 'S+', 'S-', impedanceOf(24, params.lampVa, 1, mains.hertz)),
    load('red', 'LAMP', 'S-', impedanceOf(24, params.lampVa, 1, mains.hertz)),
    pressedContact(params.works),
  ],
  initial: { green: false as boolean, red: false as boolean },
  positions: (_, { controls }) => ({ switch: when(controls.press === 'held') }),
  next: (_, senses: Senses) => ({
    green: senses.volts('S+', 'S-') >= LIT_FROM_VOLTS && senses.amps('green') > 0,
    red: senses.volts('LAMP', 'S-') >= LIT_FROM_VOLTS && senses.amps('red') > 0,
  }),
  tests: { control: 'press', value: 'held' },
  tells: ({ red }) => red,
  face: ({ green, red }) =>
    red
      ? {
          text: 'red',
          tone: 'tripped',
          detail: 'Its detector is in alarm. Look at every unit before you reset it.',
        }
      : green
        ? { text: 'green', tone: 'ok' }
        : { text: 'no lamp', tone: 'off', detail: 'It has no supply from its detector.' },
  faults: [openFault('red', 'Red lamp dead', 0.5), openFault('green', 'Green lamp dead', 0.5)],
});
