import { coilElement, coilParams, pulledIn } from '../../parts/coil';
import { defineDevice } from '../../define';
import { contact, path } from '../../element';
import { choice } from '../../fields';

/** A bus bar where a single-pole contactor leaves the second leg unbroken, ohms. */
const BUS_OHMS = 0.005;

/** The outdoor unit's contactor: a 24 V coil that closes line-voltage poles. */
export const contactor = defineDevice({
  kind: 'contactor',
  title: 'Contactor',
  known: { contactor: {}, cont: {}, cc: {}, 'compressor contactor': {}, m: {} },
  designations: () => [
    { mark: 'A1', role: 'coil', purpose: 'Coil, fed by the Y call.' },
    { mark: 'A2', role: 'coil', purpose: 'Coil, returning to C.' },
    { mark: 'L1', role: 'line', purpose: 'Line in. Live whenever the disconnect is on.' },
    { mark: 'L2', role: 'line', purpose: 'Line in. Live whenever the disconnect is on.' },
    { mark: 'T1', role: 'line', purpose: 'Out to the compressor and fan.' },
    {
      mark: 'T2',
      role: 'line',
      purpose: 'Out to the compressor and fan. Live at rest on a single-pole contactor.',
    },
  ],
  params: {
    poles: choice('Poles', { one: 'One pole and a bus bar', two: 'Two poles' }, 'two'),
    serves: choice(
      'It switches',
      { cool: 'A compressor', pump: 'A heat pump’s compressor', heat: 'Heat', fan: 'A fan' },
      'cool',
    ),
    ...coilParams(7.5, 40),
  },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => [
    coilElement('coil', 'A1', 'A2', params, mains.hertz),
    contact('pole1', 'L1', 'T1'),
    params.poles === 'two' ? contact('pole2', 'L2', 'T2') : path('pole2', 'L2', 'T2', BUS_OHMS),
  ],
  loads: ({ params: { serves } }) => [
    { id: 'coil', title: 'Contactor coil', element: 'coil', nature: 'coil', serves },
  ],
  actuatedBy: { pole1: [['coil']], pole2: [['coil']] },
  cabinetFeed: ['L1', 'L2'],
  initial: { in: false as boolean },
  positions: (state, { params }) => {
    const pole = state.in ? 'closed' : 'open';
    const coil = state.in ? 'sealed' : 'inrush';
    return params.poles === 'two' ? { coil, pole1: pole, pole2: pole } : { coil, pole1: pole };
  },
  next: (state, senses, { params }) => ({
    in: pulledIn(state.in, { volts: senses.volts('A1', 'A2'), amps: senses.amps('coil') }, params),
  }),
  face: (state) => (state.in ? { text: 'pulled in', tone: 'busy' } : { text: 'open', tone: 'ok' }),
  faults: [
    { mode: 'coil-open', title: 'Coil open', likelihood: 3, elements: { coil: 'open' } },
    { mode: 'coil-shorted', title: 'Coil shorted', likelihood: 2, elements: { coil: { ohms: 0.5 } } },
    {
      mode: 'welded',
      title: 'Poles welded',
      likelihood: 2,
      elements: { pole1: { ohms: 0.01 }, pole2: { ohms: 0.01 } },
    },
    { mode: 'pole-open', title: 'Pole burnt open', likelihood: 2, elements: { pole1: 'open' } },
  ],
});
