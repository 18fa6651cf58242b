import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import { contact, impedanceOf, load } from '../../element';
import { choice, num } from '../../fields';
import { when } from '../../parts/board';
import { openFault } from '../../parts/faults';

/** Volts from which it works, and depth at which its strip is wet, mm. From memory. */
const WORKS_FROM_VOLTS = 18;
const WET_MM = 2;

/**
 * A powered moisture sensor that lies in a pan. COM–NC is held closed while it is powered and dry, so wet, unplugged and
 * without supply all open the circuit; it stays so until it is dry and was reset.
 */
export const moistureSensor = defineDevice({
  kind: 'moisture-sensor',
  title: 'Moisture sensor',
  designations: () => [
    {
      mark: 'R',
      role: 'hot',
      purpose: 'Its own supply, hot: from the transformer’s side of what it breaks.',
    },
    { mark: 'C', role: 'common', purpose: 'Its own supply, common.' },
    { mark: 'COM', role: 'contact', purpose: 'Contact, common.' },
    { mark: 'NC', role: 'contact', purpose: 'Closed while it has supply and is dry.' },
    { mark: 'NO', role: 'contact', purpose: 'Closes when wet, for an alarm. Insulate it if unused.' },
  ],
  params: {
    place: choice('It lies', { pan: 'In the pan under the unit', coil: 'In the coil’s pan' }, 'pan'),
    va: num({ label: 'Draws', unit: 'VA', default: 1, min: 0.2, max: 5, source: 'from memory' }),
  },
  settings: {},
  controls: {
    strip: choice('Strip', { dry: 'As the water stands', damp: 'Not yet dry', wet: 'Wetted by hand' }, 'dry'),
    button: choice('Button', { out: 'Not pressed', test: 'Test', reset: 'Reset' }, 'out'),
  },
  elements: ({ params, mains }) => [
    load('supply', 'R', 'C', impedanceOf(24, params.va, 0.9, mains.hertz)),
    contact('contact', 'COM', 'NC'),
    contact('alarm', 'COM', 'NO'),
  ],
  interrupts: ['contact'],
  alarm: 'alarm',
  initial: {
    live: false as boolean,
    tripped: false as boolean,
    wet: false as boolean,
    wetAt: null as number | null,
  },
  positions: ({ live, tripped }) => ({ contact: when(live && !tripped), alarm: when(!live || tripped) }),
  next: (state, senses: Senses, { controls, params, now }) => {
    const live = senses.volts('R', 'C') >= WORKS_FROM_VOLTS && senses.amps('supply') > 0;
    const [water] = senses.hears(params.place === 'pan' ? 'lower-pan' : 'coil-pan');
    const wet = controls.strip === 'wet' || (water !== undefined && water.amount >= WET_MM - 1e-6);
    const rises = water && !wet ? water.reaches!(WET_MM) : Infinity;
    const dry = !wet && controls.strip === 'dry';
    const held = state.tripped && !(dry && controls.button === 'reset');
    return {
      live,
      wet,
      tripped: live ? wet || controls.button === 'test' || held : state.tripped,
      wetAt: Number.isFinite(rises) && rises > now ? rises : null,
    };
  },
  waits: ({ wetAt }) => (wetAt === null ? [] : [{ until: wetAt, text: 'the strip gets wet', quiet: true }]),
  face: ({ live, tripped, wet }, { controls }) =>
    !live
      ? {
          text: 'no lamp',
          tone: 'off',
          detail: 'It has no supply of its own: its contact is open, and it cannot say why.',
        }
      : !tripped
        ? { text: 'green', tone: 'ok' }
        : wet || controls.strip === 'damp'
          ? {
              text: 'red, wet',
              tone: 'tripped',
              detail: 'It has to dry before it resets: clear the drain, wipe the strip.',
            }
          : { text: 'red', tone: 'tripped', detail: 'Dry again: press its button to reset it.' },
  safety: {
    control: 'strip',
    notices: ({ place }) => (place === 'coil' ? ['coil-water'] : ['coil-water', 'pan-water']),
    tripped: 'wet',
    stops: ['chilled'],
    retrofit: true,
  },
  faults: [
    {
      mode: 'stuck-closed',
      title: 'Contact stuck closed',
      likelihood: 1,
      elements: { contact: { ohms: 0.01 } },
    },
    { mode: 'stuck-open', title: 'Contact stuck open', likelihood: 1, elements: { contact: 'open' } },
    openFault('supply', 'Takes no current', 1),
  ],
});
