import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import { impedanceOf, load } from '../../element';
import { num } from '../../fields';
import { openFault } from '../../parts/faults';

/** Volts from which it is heard, from memory. */
const HEARD_FROM_VOLTS = 16;

/** A 24 V sounder on the alarm contacts of safeties. */
export const sounder = defineDevice({
  kind: 'sounder',
  title: 'Sounder',
  designations: () => [
    { mark: '1', role: 'call', purpose: 'From the alarm contacts.' },
    { mark: '2', role: 'common', purpose: 'Back to the transformer.' },
  ],
  params: { va: num({ label: 'Draws', unit: 'VA', default: 2, min: 0.2, max: 10, source: 'from memory' }) },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => [load('sounder', '1', '2', impedanceOf(24, params.va, 0.9, mains.hertz))],
  initial: { sounds: false as boolean },
  positions: () => ({}),
  next: (_, senses: Senses) => ({
    sounds: senses.volts('1', '2') >= HEARD_FROM_VOLTS && senses.amps('sounder') > 0,
  }),
  tells: ({ sounds }) => sounds,
  face: ({ sounds }) =>
    sounds
      ? { text: 'sounds', tone: 'tripped', detail: 'A safety has tripped.' }
      : { text: 'quiet', tone: 'ok' },
  faults: [openFault('sounder', 'Silent', 1)],
});
