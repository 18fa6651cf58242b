import { motorImpedance } from '../../parts/burner-train';
import { defineDevice } from '../../define';
import { contact, impedanceOf, load } from '../../element';
import { choice, num } from '../../fields';

/** Share of its rated volts from which a motor turns or an element warms, from memory. */
const WORKS_FROM = 0.6;

/** A line-voltage load: a blower, a circulator or a bank of strips behind its own limit. */
export const lineLoad = defineDevice({
  kind: 'line-load',
  title: 'Motor or strips',
  sealed: true,
  designations: () => [
    { mark: '1', role: 'line', purpose: 'Fed through the relay.' },
    { mark: '2', role: 'line', purpose: 'Neutral or the second leg.' },
  ],
  params: {
    type: choice('What it is', { motor: 'Motor', strips: 'Electric strips' }, 'motor'),
    serves: choice('It serves', { fan: 'Fan', heat: 'Heat', cool: 'Cooling' }, 'fan'),
    volts: num({
      label: 'Rated volts',
      unit: 'V',
      default: 240,
      min: 100,
      max: 480,
      source: 'read the label',
    }),
    va: num({ label: 'Draws', unit: 'VA', default: 500, min: 20, max: 20000, source: 'read the label' }),
  },
  settings: {},
  controls: { limit: choice('Limit or overload', { closed: 'Closed', tripped: 'Tripped' }, 'closed') },
  elements: ({ params: { type, volts, va }, mains: { hertz } }) => [
    contact('limit', '1', '#limit'),
    load(
      'load',
      '#limit',
      '2',
      type === 'motor' ? motorImpedance(volts, va, hertz) : impedanceOf(volts, va, 1, hertz),
    ),
  ],
  seenAs: ['blower'],
  loads: ({ params: { serves, type } }) => [
    { id: 'load', element: 'load', nature: type === 'strips' ? 'strip' : 'motor', serves },
  ],
  interrupts: ['limit'],
  initial: { on: false as boolean },
  positions: (_, { controls }) => ({ limit: controls.limit === 'closed' ? 'closed' : 'open' }),
  next: (_, senses, { params }) => ({ on: senses.volts('#limit', '2') >= WORKS_FROM * params.volts }),
  face: ({ on }, { controls }) =>
    controls.limit === 'tripped'
      ? { text: 'limit open', tone: 'tripped', detail: 'Find why it overheated. Never bypass a limit.' }
      : { text: on ? 'on' : 'off', tone: on ? 'busy' : 'ok' },
  faults: [
    { mode: 'open', title: 'Open inside', likelihood: 2, elements: { load: 'open' } },
    {
      mode: 'limit-open',
      title: 'Limit or overload open',
      likelihood: 1,
      controls: { limit: 'tripped' },
      mend: 'defer',
    },
  ],
});
