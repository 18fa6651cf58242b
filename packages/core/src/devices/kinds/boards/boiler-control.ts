import { coilElement, coilParams, pulledIn } from '../../parts/coil';
import { motorImpedance } from '../../parts/burner-train';
import { when } from '../../parts/board';
import { defineDevice } from '../../define';
import { contactFaults, openFault } from '../../parts/faults';
import { contact, load } from '../../element';
import { choice, num } from '../../fields';
import {
  ownProtection,
  protectorElement,
  protectorPosition,
  protectorWaits,
  stepProtector,
} from '../../parts/limited-winding';
import { carrying } from '../../parts/overcurrent';

type BoilerState = { in: boolean; open: boolean; opensAt: number | null };

const atRest: BoilerState = { in: false, ...carrying };

/** The control's own transformer: 24 V out of 120 V, its winding in ohms. From memory. */
const RATIO = 5;
const WINDING_OHMS = 1.2;

/**
 * A hot-water boiler's control: its own 24 V comes out on T1 and must come back on T2, through
 * a thermostat or an end switch; circulator and burner run while it does.
 */
export const boilerControl = defineDevice({
  kind: 'boiler-control',
  title: 'Boiler control',
  designations: () => [
    {
      mark: 'T1',
      role: 'hot',
      purpose: '24 V of the boiler’s own: out to the thermostat’s R or the end switch.',
      aliases: ['R', 'T'],
    },
    {
      mark: 'T2',
      role: 'call',
      purpose: 'Back from the thermostat’s W or the end switch: calls for heat.',
      aliases: ['W', 'T'],
    },
    { mark: 'L1', role: 'line', purpose: 'Line in.' },
    { mark: 'N', role: 'neutral', purpose: 'Neutral in.' },
  ],
  params: {
    ...coilParams(5, 8),
    va: num({
      label: 'Its own transformer',
      unit: 'VA',
      default: 20,
      min: 5,
      max: 100,
      source: 'from memory',
    }),
    lineVolts: num({
      label: 'Line supply',
      unit: 'V',
      default: 120,
      min: 100,
      max: 277,
      source: 'read the label',
    }),
    circulatorVa: num({
      label: 'Circulator',
      unit: 'VA',
      default: 90,
      min: 10,
      max: 500,
      source: 'read the label',
    }),
    burnerVa: num({ label: 'Burner', unit: 'VA', default: 60, min: 5, max: 500, source: 'from memory' }),
  },
  settings: {},
  controls: { limit: choice('High limit', { closed: 'Closed', tripped: 'Tripped' }, 'closed') },
  elements: ({ params, mains }) => [
    {
      kind: 'transformer',
      id: 'secondary',
      supplies: true,
      primary: ['L1', 'N'],
      secondary: ['#hot', '#return'],
      ratio: (RATIO * params.lineVolts) / 120,
      impedance: { ohms: WINDING_OHMS },
    },
    protectorElement('T1'),
    coilElement('relay', 'T2', '#return', params, mains.hertz),
    contact('circulator-relay', 'L1', '#pump'),
    load('circulator', '#pump', 'N', motorImpedance(params.lineVolts, params.circulatorVa, mains.hertz)),
    contact('limit', '#pump', '#limit'),
    load('burner', '#limit', 'N', motorImpedance(params.lineVolts, params.burnerVa, mains.hertz)),
  ],
  seenAs: ['boiler', 'water'],
  loads: () => [
    { id: 'relay', title: 'Boiler relay', element: 'relay', nature: 'coil', serves: 'heat' },
    { id: 'circulator', title: 'Circulator', element: 'circulator', nature: 'motor', serves: 'heat' },
    { id: 'burner', title: 'Burner', element: 'burner', nature: 'flame', serves: 'heat' },
  ],
  interrupts: ['limit'],
  actuatedBy: { 'circulator-relay': [['relay']] },
  // The little transformer of a boiler's control is of the kind that limits itself, common practice.
  protects: ownProtection,
  initial: atRest,
  positions: (state, { controls }) => ({
    relay: state.in ? 'sealed' : 'inrush',
    protector: protectorPosition(state),
    'circulator-relay': when(state.in),
    limit: when(controls.limit === 'closed'),
  }),
  waits: (state) => protectorWaits(state),
  next: (state, senses, { params, now }) => ({
    ...stepProtector(
      { open: state.open, opensAt: state.opensAt },
      senses,
      senses.volts('L1', 'N'),
      params,
      now,
    ),
    in: pulledIn(state.in, { volts: senses.volts('T2', '#return'), amps: senses.amps('relay') }, params),
  }),
  face: (state, { controls }) =>
    controls.limit === 'tripped'
      ? {
          text: 'limit open',
          tone: 'tripped',
          detail: 'High limit open: find why the water is too hot. Never bypass it.',
        }
      : { text: state.in ? 'firing' : 'at rest', tone: state.in ? 'busy' : 'ok' },
  faults: [
    { mode: 'relay-open', title: 'Relay coil open', likelihood: 2, elements: { relay: 'open' } },
    {
      mode: 'circulator-open',
      title: 'Circulator open',
      likelihood: 2,
      elements: { circulator: 'open' },
      part: 'Circulator',
    },
    openFault('secondary', 'Its transformer open', 2),
    ...contactFaults('circulator-relay', 'Boiler relay’s contact'),
    {
      mode: 'limit-open',
      title: 'High limit open',
      likelihood: 2,
      controls: { limit: 'tripped' },
      mend: 'defer',
    },
  ],
});
