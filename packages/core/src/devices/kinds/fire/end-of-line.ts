import { defineDevice } from '../../define';
import { load } from '../../element';
import { num } from '../../fields';

/** The resistor that ends a supervised loop: the panel sees it all the time, and so sees the loop. */
export const endOfLine = defineDevice({
  kind: 'end-of-line',
  title: 'End-of-line resistor',
  designations: () => [
    { mark: '1', role: 'contact', purpose: 'At the last device of the loop.' },
    { mark: '2', role: 'contact', purpose: 'Across the loop, at the last device.' },
  ],
  params: {
    ohms: num({
      label: 'Resistance',
      unit: 'Ω',
      default: 4700,
      min: 100,
      max: 100_000,
      source: 'read the label',
    }),
  },
  settings: {},
  controls: {},
  elements: ({ params }) => [load('resistor', '1', '2', { ohms: params.ohms })],
  terminates: 'resistor',
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  faults: [
    {
      mode: 'resistor-open',
      title: 'Gone or burnt out',
      likelihood: 0.5,
      elements: { resistor: 'open' },
      mend: 'defer',
    },
  ],
});
