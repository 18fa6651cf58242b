import { defineDevice } from './define';
import type { Designation, Moment, Role, Senses } from './define';
import { contact, impedanceOf, load } from './element';
import type { BranchElement } from './element';
import { choice, num, seconds } from './fields';
import type { ValuesOf } from './fields';
import type { ThermostatCalls } from './thermostat-calls';
import { NO_CALLS, wantedCalls } from './thermostat-calls';

const PURPOSES: Readonly<Record<string, readonly [Role, string]>> = {
  R: ['hot', '24 V hot: what every call is switched from.'],
  RC: ['hot', 'Hot from the cooling transformer.'],
  RH: ['hot', 'Hot from the heating transformer.'],
  C: ['common', 'Common: powers the thermostat.'],
  Y: ['call', 'Cooling, first stage: the compressor.'],
  Y2: ['call', 'Cooling, second stage.'],
  W: ['call', 'Conventional heat. On a heat pump nothing lands here.'],
  W2: ['call', 'Second stage or back-up heat.'],
  G: ['call', 'Indoor fan.'],
  O: ['call', 'Reversing valve, energised in cooling.'],
  B: ['call', 'Reversing valve, energised in heating.'],
};

const SCREWS = {
  five: ['R', 'Y', 'G', 'W', 'C'],
  two: ['RC', 'RH', 'Y', 'G', 'W', 'C'],
  full: ['RC', 'RH', 'Y', 'Y2', 'G', 'W', 'W2', 'O', 'B', 'C'],
} as const;

const designation = (mark: string): Designation => {
  const [role, purpose] = PURPOSES[mark]!;
  return mark === 'C' ? { mark, role, purpose, aliases: ['X'] } : { mark, role, purpose };
};

const params = {
  terminals: choice(
    'Terminals',
    { five: 'R Y G W C', two: 'RC RH Y G W C', full: 'RC RH Y Y2 G W W2 O B C' },
    'five',
  ),
  supply: choice(
    'Powered by',
    { battery: 'Batteries', wired: 'R and C', both: 'R and C, with batteries' },
    'both',
  ),
  loadVa: num({ label: 'Draws', unit: 'VA', default: 3, min: 0.1, max: 15, source: 'from memory' }),
  minimumVolts: num({
    label: 'Goes blank under',
    unit: 'V',
    default: 17,
    min: 8,
    max: 24,
    source: 'from memory',
  }),
};

const settings = {
  system: choice('System type', { conventional: 'Conventional', 'heat-pump': 'Heat pump' }, 'conventional'),
  fanWithHeat: choice(
    'Fan with heat',
    { unit: 'Run by the unit (gas)', thermostat: 'Run by the thermostat (electric)' },
    'unit',
  ),
  joiner: choice('RC–RH joiner', { in: 'In', out: 'Out' }, 'in', 'common practice'),
  protectionS: seconds('Compressor protection', 300, 900, 'common practice'),
  stageTwoK: num({
    label: 'Second stage beyond',
    unit: 'K',
    default: 1.5,
    min: 0.3,
    max: 6,
    source: 'from memory',
  }),
};

const controls = {
  mode: choice('System', { off: 'Off', heat: 'Heat', cool: 'Cool' }, 'off'),
  fan: choice('Fan', { auto: 'Auto', on: 'On' }, 'auto'),
  setC: num({ label: 'Set point', unit: '°C', default: 22, min: 4, max: 35, source: 'common practice' }),
  batteries: choice('Batteries', { good: 'Good', flat: 'Flat' }, 'good'),
};

type ThermostatState = ThermostatCalls & {
  powered: boolean;
  /** When the compressor call last ended, or the thermostat last woke. */
  restSince: number;
  /** A compressor call is wanted and held until this time. */
  heldUntil: number | null;
};

type ThermostatMoment = Moment<ValuesOf<typeof params>, ValuesOf<typeof settings>, ValuesOf<typeof controls>>;

const hotsOf = (terminals: keyof typeof SCREWS) =>
  terminals === 'five' ? { cooling: 'R', heating: 'R' } : { cooling: 'RC', heating: 'RH' };

/** Screws whose call is switched from the heating hot. */
const FROM_HEATING = new Set(['W', 'W2']);
const CALLS = ['Y', 'Y2', 'G', 'W', 'W2', 'O', 'B'] as const;
type CallMark = (typeof CALLS)[number];

const callsOf = (terminals: keyof typeof SCREWS): readonly CallMark[] => {
  const screws: readonly string[] = SCREWS[terminals];
  return CALLS.filter((mark) => screws.includes(mark));
};

function next(state: ThermostatState, senses: Senses, moment: ThermostatMoment): ThermostatState {
  const { params, settings, controls, now } = moment;
  const hot = hotsOf(params.terminals).cooling;
  const onWire = params.supply !== 'battery' && senses.volts(hot, 'C') >= params.minimumVolts;
  const onBattery = params.supply !== 'wired' && controls.batteries === 'good';
  if (!onWire && !onBattery)
    return {
      ...NO_CALLS,
      powered: false,
      restSince: state.Y || !state.powered ? now : state.restSince,
      heldUntil: null,
    };
  const restSince = state.powered ? state.restSince : now;
  const wanted = wantedCalls(moment);
  const free = restSince + settings.protectionS;
  if (wanted.Y && !state.Y && now < free)
    // The fan waits with the compressor unless it is asked for on its own.
    return {
      ...wanted,
      Y: false,
      Y2: false,
      G: controls.fan === 'on',
      powered: true,
      restSince,
      heldUntil: free,
    };
  return { ...wanted, powered: true, restSince: state.Y && !wanted.Y ? now : restSince, heldUntil: null };
}

/** A set of switches from R, with its own power, its own protection and its own idea of the system. */
export const thermostat = defineDevice({
  kind: 'thermostat',
  title: 'Thermostat',
  designations: ({ terminals }) => SCREWS[terminals].map(designation),
  params,
  settings,
  controls,
  elements: ({ params, mains }) => {
    const hots = hotsOf(params.terminals);
    const calls: BranchElement[] = callsOf(params.terminals).map((mark) =>
      contact(mark, FROM_HEATING.has(mark) ? hots.heating : hots.cooling, mark),
    );
    if (params.supply !== 'battery')
      calls.push(load('supply', hots.cooling, 'C', impedanceOf(24, params.loadVa, 0.8, mains.hertz)));
    if (hots.cooling !== hots.heating) calls.push(contact('joiner', 'RC', 'RH'));
    return calls;
  },
  initial: { ...NO_CALLS, powered: false, restSince: 0, heldUntil: null } as ThermostatState,
  positions: (state, { params, settings }) => {
    const positions: Record<string, string> = {};
    for (const mark of callsOf(params.terminals)) positions[mark] = state[mark] ? 'closed' : 'open';
    if (params.terminals !== 'five') positions.joiner = settings.joiner === 'in' ? 'closed' : 'open';
    return positions;
  },
  next,
  waits: ({ heldUntil }) =>
    heldUntil === null ? [] : [{ until: heldUntil, text: 'compressor held by the thermostat’s protection' }],
  face: (state, { controls }) =>
    !state.powered
      ? {
          text: 'blank',
          tone: 'tripped',
          detail: 'The screen is blank: no 24 V between hot and C, and no good batteries.',
        }
      : state.heldUntil !== null
        ? { text: 'cool, waiting', tone: 'busy' }
        : { text: controls.mode, tone: controls.mode === 'off' ? 'ok' : 'busy' },
  faults: [
    { mode: 'y-contact-open', title: 'Y contact does not close', likelihood: 1, elements: { Y: 'open' } },
    {
      mode: 'w-contact-stuck',
      title: 'W contact stuck closed',
      likelihood: 1,
      elements: { W: { ohms: 0.01 } },
    },
  ],
});
