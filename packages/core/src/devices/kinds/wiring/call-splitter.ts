import { boardPowered, when } from '../../parts/board';
import { defineDevice } from '../../define';
import { contact, impedanceOf, load } from '../../element';
import { num } from '../../fields';
import { SPLITTER_OHMS, callsAt } from '../../parts/shared-conductor';

/** Takes two calls off one conductor again and makes them at the unit, on its own R and C. */
export const callSplitter = defineDevice({
  kind: 'call-splitter',
  title: 'Call splitter',
  designations: () => [
    { mark: 'R', role: 'hot', purpose: '24 V hot from the unit.' },
    { mark: 'C', role: 'common', purpose: 'Common from the unit.' },
    { mark: 'IN', role: 'call', purpose: 'The shared conductor from the thermostat.' },
    { mark: 'OUT1', role: 'call', purpose: 'First call, to the unit.' },
    { mark: 'OUT2', role: 'call', purpose: 'Second call, to the unit.' },
  ],
  params: { va: num({ label: 'Draws', unit: 'VA', default: 1, min: 0.1, max: 10, source: 'from memory' }) },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => [
    load('logic', 'R', 'C', impedanceOf(24, params.va, 0.9, mains.hertz)),
    load('input', 'IN', 'C', { ohms: SPLITTER_OHMS }),
    contact('out-1', 'R', 'OUT1'),
    contact('out-2', 'R', 'OUT2'),
  ],
  actuatedBy: { 'out-1': [['input', 'logic']], 'out-2': [['input', 'logic']] },
  initial: { first: false as boolean, second: false as boolean },
  positions: ({ first, second }) => ({ 'out-1': when(first), 'out-2': when(second) }),
  next: (_, senses) =>
    boardPowered(senses)
      ? callsAt(senses.volts('IN', 'C') / senses.volts('R', 'C'))
      : { first: false, second: false },
  face: ({ first, second }) => ({
    text: first ? (second ? 'both calls' : 'first call') : second ? 'second call' : 'no call',
    tone: first || second ? 'busy' : 'ok',
  }),
  faults: [
    { mode: 'out-1-open', title: 'First output open', likelihood: 1, elements: { 'out-1': 'open' } },
    { mode: 'out-2-open', title: 'Second output open', likelihood: 1, elements: { 'out-2': 'open' } },
  ],
});
