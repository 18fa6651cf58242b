import { defineDevice } from '../../define';
import { contact } from '../../element';
import { choice, num } from '../../fields';

const pins = (count: number) => Array.from({ length: Math.round(count) }, (_, i) => `${i + 1}`);

/** A plug in a harness: pin by pin from its one side to its other. */
export const plug = defineDevice({
  kind: 'harness-plug',
  title: 'Plug',
  known: { plug: {}, connector: {}, conn: {}, pl: {}, 'harness plug': {} },
  designations: ({ pins: count }) =>
    pins(count).flatMap((pin) => [
      { mark: `${pin}A`, role: 'contact' as const, purpose: `Pin ${pin}, the one side.`, aliases: [pin] },
      { mark: `${pin}B`, role: 'contact' as const, purpose: `Pin ${pin}, the other side.` },
    ]),
  params: { pins: num({ label: 'Pins', unit: '', default: 4, min: 2, max: 9, source: 'look at it' }) },
  settings: {},
  controls: {
    seat: choice('It is', { home: 'Home', loose: 'Not home', out: 'Pulled' }, 'home'),
  },
  elements: ({ params }) => pins(params.pins).map((pin) => contact(`pin-${pin}`, `${pin}A`, `${pin}B`)),
  initial: {},
  positions: (_, { params, controls }) =>
    Object.fromEntries(
      pins(params.pins).map((pin) => [`pin-${pin}`, controls.seat === 'home' ? 'closed' : 'open']),
    ),
  next: (state) => state,
  face: (_, { controls }) =>
    controls.seat === 'home' ? { text: 'home', tone: 'ok' } : { text: 'not home', tone: 'off' },
  faults: [
    {
      mode: 'loose',
      title: 'Plug not home',
      likelihood: 1,
      controls: { seat: 'loose' },
      mend: 'refit',
    },
  ],
});
