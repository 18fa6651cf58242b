import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { coilElement, coilParams, pulledIn } from '../../parts/coil';

/** The coil of a reversing valve, on leads of its own. */
export const reversingValve = defineDevice({
  kind: 'reversing-valve',
  title: 'Reversing valve',
  known: {
    'reversing valve': {},
    'rev valve': {},
    rv: {},
    valve: {},
    '4-way valve': {},
    'four-way valve': {},
    rvs: {},
  },
  designations: () => [
    { mark: '1', role: 'coil', purpose: 'One lead of the coil.' },
    { mark: '2', role: 'coil', purpose: 'The other lead.' },
  ],
  params: coilParams(7, 20),
  settings: {},
  controls: {},
  elements: ({ params, mains }) => [coilElement('coil', '1', '2', params, mains.hertz)],
  loads: () => [{ id: 'coil', element: 'coil', nature: 'valve', serves: 'valve' }],
  initial: { in: false as boolean },
  positions: (state) => ({ coil: state.in ? 'sealed' : 'inrush' }),
  next: (state, senses, { params }) => ({
    in: pulledIn(state.in, { volts: senses.volts('1', '2'), amps: senses.amps('coil') }, params),
  }),
  gives: (state) => ({ valve: flow(state.in ? 1 : 0) }),
  face: (state) => (state.in ? { text: 'turned over', tone: 'busy' } : { text: 'at rest', tone: 'ok' }),
  faults: [
    { mode: 'coil-open', title: 'Coil open', likelihood: 3, elements: { coil: 'open' } },
    { mode: 'coil-shorted', title: 'Coil shorted', likelihood: 1, elements: { coil: { ohms: 0.5 } } },
  ],
});
