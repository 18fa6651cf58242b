import { heard } from '../../channels';
import { defineDevice } from '../../define';
import type { Moment, Senses } from '../../context';
import { contact, load } from '../../element';
import { choice, num } from '../../fields';
import type { ValuesOf } from '../../fields';
import { when } from '../../parts/board';
import { motorImpedance } from '../../parts/burner-train';
import { openFault } from '../../parts/faults';
import type { Holding } from '../../parts/vessel';
import { held, isFull, reaches, soonest } from '../../parts/vessel';

/** The tank by its litres: pumped down to, pumped from, overflow switch, rim. From memory. */
const TANK = { stop: 0.4, start: 1.1, overflow: 1.5, rim: 1.9 } as const;
/** The overflow switch falls back this much lower, l. */
const FALLS_BACK = 0.2;
/** What it lifts into a line of some metres, l/s; from memory. */
const LIFTS_LPS = 0.05;
/** Share of its rated current from which the motor turns. */
const TURNS_FROM = 0.6;

const params = {
  fed: choice('It is fed', { plug: 'By its own plug', wired: 'From L and N' }, 'plug'),
  volts: num({ label: 'Rated volts', unit: 'V', default: 120, min: 100, max: 277, source: 'read the label' }),
  va: num({ label: 'Motor', unit: 'VA', default: 90, min: 10, max: 400, source: 'read the label' }),
};

const controls = {
  plug: choice('Plug', { in: 'In its outlet', out: 'Pulled' }, 'in'),
  tank: choice(
    'Tank',
    { asItComes: 'As it comes', full: 'Filled by hand', emptied: 'Emptied, wiped dry' },
    'asItComes',
  ),
  line: choice('Discharge line', { clear: 'Clear', blocked: 'Blocked' }, 'clear'),
};

type PumpMoment = Moment<ValuesOf<typeof params>, object, ValuesOf<typeof controls>>;

type Tank = {
  at: number;
  litres: number;
  rate: number;
  out: number;
  outRate: number;
  pumping: boolean;
  over: boolean;
};

const empty: Tank = { at: 0, litres: 0, rate: 0, out: 0, outRate: 0, pumping: false, over: false };

const tankOf = ({ litres, rate, at }: Tank): Holding => ({ litres, rate, at });
const outOf = ({ out, outRate, at }: Tank): Holding => ({ litres: out, rate: outRate, at });

function next(state: Tank, senses: Senses, { params, controls, now }: PumpMoment): Tank {
  if (controls.tank === 'emptied')
    return state.at === now && state.litres === 0 && state.out === 0 ? state : { ...empty, at: now };
  const litres = held(tankOf(state), now);
  const floats = state.pumping ? litres > TANK.stop + 1e-9 : isFull(litres, TANK.start);
  const turns =
    params.fed === 'plug'
      ? controls.plug === 'in'
      : senses.amps('motor') >= (TURNS_FROM * params.va) / params.volts;
  const lifted = floats && turns && controls.line === 'clear' ? LIFTS_LPS : 0;
  const gain = heard(senses, 'drains') - lifted;
  const full = gain > 0 && isFull(litres, TANK.rim);
  const [rate, outRate] = full ? [0, gain] : [gain, 0];
  const over = isFull(litres, TANK.overflow - (state.over ? FALLS_BACK : 0));
  return rate === state.rate && outRate === state.outRate && floats === state.pumping && over === state.over
    ? state
    : { at: now, litres, rate, out: held(outOf(state), now), outRate, pumping: floats, over };
}

/** A condensate pump: tank, motor with a float of its own, and an overflow switch that is only there if it is wired. */
export const condensatePump = defineDevice({
  kind: 'condensate-pump',
  title: 'Condensate pump',
  designations: ({ fed }) => [
    ...(fed === 'wired'
      ? [
          { mark: 'L', role: 'line' as const, purpose: 'Motor, line.' },
          { mark: 'N', role: 'neutral' as const, purpose: 'Motor, neutral.' },
        ]
      : []),
    { mark: 'COM', role: 'contact', purpose: 'Overflow switch, common.' },
    { mark: 'NC', role: 'contact', purpose: 'Overflow switch: opens when the tank is too full.' },
    {
      mark: 'NO',
      role: 'contact',
      purpose: 'Overflow switch: closes then, for an alarm. Insulate it if unused.',
    },
  ],
  params,
  settings: {},
  controls,
  elements: ({ params, mains }) => [
    ...(params.fed === 'wired'
      ? [
          contact('float', 'L', '#motor'),
          load('motor', '#motor', 'N', motorImpedance(params.volts, params.va, mains.hertz)),
        ]
      : []),
    contact('overflow', 'COM', 'NC'),
    contact('alarm', 'COM', 'NO'),
  ],
  interrupts: ['overflow'],
  alarm: 'alarm',
  initial: empty,
  positions: ({ pumping, over }, { controls }) => {
    const high = over || controls.tank === 'full';
    return { float: when(pumping), overflow: when(!high), alarm: when(high) };
  },
  next,
  drains: { control: 'line', blocked: 'blocked' },
  spilt: (state, { now }) => held(outOf(state), now),
  waits: (state, { now }) => {
    const levels = Object.values({ ...TANK, falls: TANK.overflow - FALLS_BACK });
    const until = soonest(
      levels.map((level) => reaches(tankOf(state), level)),
      now,
    );
    return until === null ? [] : [{ until, text: 'the tank comes to the next level', quiet: true }];
  },
  face: (state, { controls, now }) => {
    if (held(outOf(state), now) > 0)
      return {
        text: 'runs over',
        tone: 'tripped',
        detail: 'Its tank is over the rim: stop whatever makes water.',
      };
    if (state.over || controls.tank === 'full')
      return {
        text: 'tank full',
        tone: 'tripped',
        detail: 'Motor, power, float or discharge line: find out which.',
      };
    return state.pumping ? { text: 'pumping', tone: 'busy' } : { text: 'waiting', tone: 'ok' };
  },
  safety: {
    control: 'tank',
    notices: () => ['tank-water'],
    tripped: 'full',
    stops: ['chilled'],
    retrofit: true,
  },
  faults: [
    openFault('motor', 'Motor open', 3),
    {
      mode: 'overflow-stuck',
      title: 'Overflow switch stuck closed',
      likelihood: 1,
      elements: { overflow: { ohms: 0.01 } },
    },
    {
      mode: 'overflow-open',
      title: 'Overflow switch stuck open',
      likelihood: 1,
      elements: { overflow: 'open' },
    },
  ],
});
