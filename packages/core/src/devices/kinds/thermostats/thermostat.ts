import { when } from '../../parts/board';
import { defineDevice } from '../../define';
import type { Moment, Senses } from '../../context';
import type { Call } from '../../traits';
import { contact, impedanceOf, load } from '../../element';
import type { BranchElement } from '../../element';
import { choice, num, seconds } from '../../fields';
import type { ValuesOf } from '../../fields';
import type { ThermostatCalls } from '../../parts/thermostat-calls';
import { NO_CALLS, demands, wantedCalls } from '../../parts/thermostat-calls';
import { SCREWS, callAt, contactsOf, hasScrew, hotsOf, screwsOf } from '../../parts/thermostat-screws';

/** What a power-stealing thermostat draws through an idle load, VA at 24 V, from memory. */
const STOLEN_VA = 0.15;
/** Current through a closed call that such a thermostat can live on, A, from memory. */
const STOLEN_AMPS = 0.015;
/** Calls a power-stealing thermostat can draw through. */
const STEALS_THROUGH = ['Y', 'W'];

const params = {
  terminals: SCREWS,
  zone: choice(
    'Hangs in',
    { all: 'The house', '1': 'Zone 1', '2': 'Zone 2', '3': 'Zone 3', '4': 'Zone 4' },
    'all',
    'common practice',
  ),
  supply: choice(
    'Powered by',
    {
      none: 'Nothing (mechanical)',
      battery: 'Batteries',
      wired: 'R and C',
      both: 'R and C, with batteries',
      stealing: 'Its own calls, without C',
    },
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
    { unit: 'Run by the unit', thermostat: 'Run by the thermostat' },
    'unit',
  ),
  valve: choice('O/B is energised in', { O: 'Cooling (O)', B: 'Heating (B)' }, 'O', 'common practice'),
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
  backUpK: num({
    label: 'Back-up heat beyond',
    unit: 'K',
    default: 2,
    min: 0.3,
    max: 10,
    source: 'from memory',
  }),
  backUp: choice(
    'Back-up heat is',
    { strips: 'Electric strips', furnace: 'A furnace (dual fuel)' },
    'strips',
  ),
  lockoutC: num({
    label: 'With a furnace, compressor locked out below',
    unit: '°C',
    default: 0,
    min: -40,
    max: 20,
    source: 'from memory',
    showsWith: ({ system, backUp }) => system === 'heat-pump' && backUp === 'furnace',
  }),
};

const controls = {
  mode: choice('System', { off: 'Off', heat: 'Heat', cool: 'Cool', emergency: 'Emergency heat' }, 'off'),
  fan: choice('Fan', { auto: 'Auto', on: 'On' }, 'auto'),
  setC: num({ label: 'Set point', unit: '°C', default: 22, min: 4, max: 35, source: 'common practice' }),
  batteries: choice('Batteries', { good: 'Good', flat: 'Flat' }, 'good'),
};

/** No pin of the body touches the base: neither calls nor its own supply. */
const NOTHING_PASSES: Readonly<Record<string, 'open'>> = Object.fromEntries(
  [...Object.keys(SCREWS.marks), 'supply', 'joiner', ...STEALS_THROUGH.map((mark) => `steal-${mark}`)].map(
    (element) => [element, 'open'],
  ),
);

type ThermostatState = ThermostatCalls & {
  powered: boolean;
  /** When the compressor call last ended, or the thermostat last woke. */
  restSince: number;
  /** A compressor call is wanted and held until this time. */
  heldUntil: number | null;
};

type ThermostatMoment = Moment<ValuesOf<typeof params>, ValuesOf<typeof settings>, ValuesOf<typeof controls>>;

/** Whether a thermostat that steals its power finds any. */
function steals(senses: Senses, { params }: ThermostatMoment): boolean {
  return contactsOf(params.terminals)
    .filter(({ mark }) => STEALS_THROUGH.includes(mark))
    .some(
      ({ mark, hot }) => senses.volts(hot, mark) >= params.minimumVolts || senses.amps(mark) >= STOLEN_AMPS,
    );
}

function isPowered(senses: Senses, moment: ThermostatMoment): boolean {
  const { params, controls } = moment;
  if (params.supply === 'none') return true;
  if (params.supply === 'stealing') return steals(senses, moment);
  const onBattery = params.supply !== 'wired' && controls.batteries === 'good';
  return (
    onBattery ||
    (params.supply !== 'battery' &&
      senses.volts(hotsOf(params.terminals).cooling, 'C') >= params.minimumVolts)
  );
}

function next(state: ThermostatState, senses: Senses, moment: ThermostatMoment): ThermostatState {
  const { params, settings, controls, now } = moment;
  if (!isPowered(senses, moment))
    return {
      ...NO_CALLS,
      powered: false,
      restSince: state.Y || !state.powered ? now : state.restSince,
      heldUntil: null,
    };
  const restSince = state.powered ? state.restSince : now;
  const wanted = wantedCalls(moment);
  // A mechanical thermostat is a switch: nothing in it waits.
  const free = params.supply === 'none' ? now : restSince + settings.protectionS;
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
  designations: ({ terminals, zone }) =>
    zone === 'all' ? screwsOf(terminals) : screwsOf(terminals).map((screw) => ({ ...screw, strip: zone })),
  params,
  settings,
  controls,
  conflict: ({ terminals, supply }) =>
    (supply === 'wired' || supply === 'both') && !hasScrew(terminals, 'C')
      ? { param: 'supply', message: 'must be without C, for none is among its screws' }
      : undefined,
  elements: ({ params, mains }) => {
    const hots = hotsOf(params.terminals);
    const contacts = contactsOf(params.terminals);
    const calls: BranchElement[] = contacts.map(({ mark, hot }) => contact(mark, hot, mark));
    if (params.supply === 'wired' || params.supply === 'both')
      calls.push(load('supply', hots.cooling, 'C', impedanceOf(24, params.loadVa, 0.8, mains.hertz)));
    if (params.supply === 'stealing')
      for (const { mark, hot } of contacts)
        if (STEALS_THROUGH.includes(mark))
          calls.push(load(`steal-${mark}`, hot, mark, impedanceOf(24, STOLEN_VA, 1, mains.hertz)));
    if (hots.cooling !== hots.heating) calls.push(contact('joiner', 'RC', 'RH'));
    return calls;
  },
  livesOn: { wire: 'supply', loads: STEALS_THROUGH.map((mark) => `steal-${mark}`) },
  initial: { ...NO_CALLS, powered: false, restSince: 0, heldUntil: null } as ThermostatState,
  positions: (state, { params, settings }) => {
    const positions: Record<string, string> = {};
    const setUp = { ...settings, terminals: params.terminals };
    for (const { mark } of contactsOf(params.terminals)) positions[mark] = when(state[callAt(mark, setUp)]);
    if (hasScrew(params.terminals, 'RH')) positions.joiner = when(settings.joiner === 'in');
    return positions;
  },
  next,
  waits: ({ heldUntil }) =>
    heldUntil === null
      ? []
      : [
          {
            until: heldUntil,
            text: 'compressor held by the thermostat’s protection',
            done: 'compressor protection over',
          },
        ],
  asks: (state, moment) => {
    const calls: Call[] = [];
    if (!state.powered) return calls;
    const demand = demands(moment);
    if (demand === 'heat' || (demand === 'cool' && state.Y)) calls.push(demand);
    if (state.G) calls.push('fan');
    return calls;
  },
  face: (state, { controls }) =>
    !state.powered
      ? {
          text: 'blank',
          tone: 'tripped',
          detail: 'The screen is blank: no 24 V between hot and C, and no good batteries.',
        }
      : state.heldUntil !== null
        ? { text: `${controls.mode}, waiting`, tone: 'busy' }
        : { text: controls.mode, tone: controls.mode === 'off' ? 'ok' : 'busy' },
  faults: [
    { mode: 'y-contact-open', title: 'Y contact does not close', likelihood: 1, elements: { Y: 'open' } },
    {
      mode: 'w-contact-stuck',
      title: 'W contact stuck closed',
      likelihood: 1,
      elements: { W: { ohms: 0.01 } },
    },
    { mode: 'w-contact-open', title: 'W contact does not close', likelihood: 1, elements: { W: 'open' } },
    { mode: 'g-contact-open', title: 'G contact does not close', likelihood: 1, elements: { G: 'open' } },
    {
      mode: 'y2-contact-open',
      title: 'Y2 contact does not close',
      likelihood: 0.5,
      elements: { Y2: 'open' },
    },
    {
      mode: 'y-contact-stuck',
      title: 'Y contact stuck closed',
      likelihood: 0.5,
      elements: { Y: { ohms: 0.01 } },
    },
    {
      mode: 'valve-contact-open',
      title: 'O/B contact does not close',
      likelihood: 0.5,
      elements: { O: 'open', B: 'open', OB: 'open' },
    },
    {
      mode: 'back-up-contact-open',
      title: 'AUX contact does not close',
      likelihood: 0.5,
      elements: { AUX: 'open', W2: 'open' },
    },
    {
      mode: 'not-seated',
      title: 'Not seated on its base',
      likelihood: 3,
      elements: NOTHING_PASSES,
      mend: 'refit',
    },
    {
      mode: 'dead',
      title: 'Display dead',
      likelihood: 1.5,
      elements: NOTHING_PASSES,
      controls: { batteries: 'flat' },
    },
    {
      mode: 'batteries-flat',
      title: 'Batteries flat',
      likelihood: 5,
      controls: { batteries: 'flat' },
      part: 'Batteries',
    },
  ],
});
