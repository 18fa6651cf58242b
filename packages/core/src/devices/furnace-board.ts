import { defineDevice } from './define';
import type { Moment, Senses } from './define';
import { contact, impedanceOf, load } from './element';
import { choice, num, seconds } from './fields';
import type { ValuesOf } from './fields';
import type { BurnerState, BurnerTimes } from './burner-sequence';
import { burnerAtRest, burnerOutputs, stepBurner } from './burner-sequence';

/** Volts at an input that count as a call, and supply volts under which the board resets. From memory. */
const CALL_VOLTS = 12;
const BOARD_VOLTS = 17;
/** Share of its rated current the inducer needs to prove draft. From memory. */
const DRAFT_SHARE = 0.7;
/** Rated volts of gas valve and board. */
const VALVE_VOLTS = 24;

const params = {
  lineVolts: num({
    label: 'Line supply',
    unit: 'V',
    default: 120,
    min: 100,
    max: 277,
    source: 'read the label',
  }),
  boardVa: num({ label: 'Board', unit: 'VA', default: 4, min: 0.5, max: 20, source: 'from memory' }),
  inputOhms: num({
    label: 'Each call input',
    unit: 'Ω',
    default: 1200,
    min: 50,
    max: 100000,
    source: 'from memory',
  }),
  gasValveVa: num({ label: 'Gas valve', unit: 'VA', default: 12, min: 1, max: 60, source: 'from memory' }),
  inducerVa: num({ label: 'Inducer', unit: 'VA', default: 120, min: 10, max: 500, source: 'from memory' }),
  igniterVa: num({ label: 'Igniter', unit: 'VA', default: 400, min: 20, max: 800, source: 'from memory' }),
  blowerVa: num({ label: 'Blower', unit: 'VA', default: 600, min: 50, max: 2000, source: 'read the label' }),
};

const settings = {
  draftS: seconds('Draft proves after', 4, 120),
  draftLimitS: seconds('Gives up proving draft after', 60, 600),
  prePurgeS: seconds('Pre-purge', 15, 120),
  warmUpS: seconds('Igniter warm-up', 17, 90),
  flameS: seconds('Flame seen after', 2, 10),
  trialS: seconds('Trial for ignition', 4, 15),
  retries: num({
    label: 'Tries before lockout',
    unit: '',
    default: 3,
    min: 1,
    max: 10,
    source: 'from memory',
  }),
  lockoutS: seconds('Lockout', 3600, 14400),
  postPurgeS: seconds('Post-purge', 15, 180),
  heatOnS: seconds('Blower on, after flame', 30, 180),
  heatOffS: seconds('Blower off, after heat', 90, 300),
  coolOnS: seconds('Blower on, after cool call', 2, 60),
  coolOffS: seconds('Blower off, after cool call', 45, 180),
};

const controls = {
  pressure: choice('Draft pressure switch', { proves: 'Proves', stuck: 'Does not prove' }, 'proves'),
  limit: choice('High limit', { closed: 'Closed', tripped: 'Tripped' }, 'closed'),
  gas: choice('Gas', { on: 'On', off: 'Off' }, 'on'),
};

type Blower = {
  blower: 'off' | 'heat' | 'cool';
  /** When a pending change happens. */
  heatOnAt: number | null;
  heatOffAt: number | null;
  coolOnAt: number | null;
  coolOffAt: number | null;
};

type BoardState = BurnerState & Blower & { powered: boolean };
type BoardMoment = Moment<ValuesOf<typeof params>, ValuesOf<typeof settings>, ValuesOf<typeof controls>>;

const atRest: BoardState = {
  ...burnerAtRest,
  powered: false,
  blower: 'off',
  heatOnAt: null,
  heatOffAt: null,
  coolOnAt: null,
  coolOffAt: null,
};

/** The first call starts a delay; the delay, once over, is done. */
const due = (at: number | null, now: number) => at !== null && now >= at;

function stepBlower(
  state: BoardState,
  burning: boolean,
  cool: boolean,
  fan: boolean,
  moment: BoardMoment,
): Blower {
  const { now, settings: delays } = moment;
  const wasHeating = state.blower === 'heat';
  const wasCooling = state.coolOnAt !== null;
  const heatOnAt = burning ? (state.heatOnAt ?? now + delays.heatOnS) : null;
  const heatOffAt = burning || !wasHeating ? null : (state.heatOffAt ?? now + delays.heatOffS);
  const coolOnAt = cool ? (state.coolOnAt ?? now + delays.coolOnS) : null;
  const coolOffAt = cool
    ? null
    : wasCooling
      ? now + delays.coolOffS
      : due(state.coolOffAt, now)
        ? null
        : state.coolOffAt;
  const heat = due(heatOnAt, now) || (wasHeating && (burning || !due(heatOffAt, now)));
  const cooling = fan || due(coolOnAt, now) || (coolOffAt !== null && state.blower === 'cool');
  return {
    blower: heat ? 'heat' : cooling ? 'cool' : 'off',
    heatOnAt,
    heatOffAt: heat ? heatOffAt : null,
    coolOnAt,
    coolOffAt: cooling ? coolOffAt : null,
  };
}

function next(state: BoardState, senses: Senses, moment: BoardMoment): BoardState {
  const { params, controls, now } = moment;
  if (senses.volts('R', 'C') < BOARD_VOLTS) return atRest;
  // Currents, not volts, so that an open input, motor or valve does what an open one does.
  const called = (mark: string) => senses.amps(`input-${mark}`) >= CALL_VOLTS / params.inputOhms;
  const pulls = senses.amps('inducer') >= (DRAFT_SHARE * params.inducerVa) / params.lineVolts;
  const flows = senses.amps('gas-valve') >= ((CALL_VOLTS / VALVE_VOLTS) * params.gasValveVa) / VALVE_VOLTS;
  const draft = controls.pressure === 'proves' && pulls;
  const flame = controls.gas === 'on' && flows;
  const times: BurnerTimes = moment.settings;
  const burner = stepBurner(
    state,
    { call: called('W'), draft, flame, limit: controls.limit === 'closed' },
    times,
    now,
  );
  const blower = stepBlower(
    state,
    burner.phase === 'burning' || burner.phase === 'limit',
    called('Y'),
    called('G'),
    moment,
  );
  return { ...state, ...burner, ...blower, powered: true };
}

/** The integrated control of a gas furnace with the loads it switches. */
export const furnaceBoard = defineDevice({
  kind: 'furnace-board',
  title: 'Furnace board',
  designations: () => [
    { mark: 'R', role: 'hot', purpose: '24 V hot out to the thermostat, through the board’s fuse.' },
    {
      mark: 'Y',
      role: 'call',
      purpose: 'Cooling call: passes through to the contactor and starts the blower.',
    },
    { mark: 'G', role: 'call', purpose: 'Fan call: runs the blower.' },
    { mark: 'W', role: 'call', purpose: 'Heating call: starts the burner sequence.' },
    { mark: 'C', role: 'common', purpose: 'Common: every 24 V load returns here.', aliases: ['COM'] },
    { mark: 'L1', role: 'line', purpose: 'Line in, through the door switch.' },
    { mark: 'N', role: 'neutral', purpose: 'Neutral in.' },
  ],
  params,
  settings,
  controls,
  elements: ({ params, mains }) => {
    const motor = (va: number) => impedanceOf(params.lineVolts, va, 0.75, mains.hertz);
    const input = (mark: string) => load(`input-${mark}`, mark, 'C', { ohms: params.inputOhms });
    return [
      load('logic', 'R', 'C', impedanceOf(VALVE_VOLTS, params.boardVa, 0.9, mains.hertz)),
      input('Y'),
      input('G'),
      input('W'),
      contact('inducer-relay', 'L1', '#inducer'),
      load('inducer', '#inducer', 'N', motor(params.inducerVa)),
      contact('igniter-relay', 'L1', '#igniter'),
      load('igniter', '#igniter', 'N', impedanceOf(params.lineVolts, params.igniterVa, 1, mains.hertz)),
      contact('heat-relay', 'L1', '#heat'),
      load('blower-heat', '#heat', 'N', motor(params.blowerVa * 0.8)),
      contact('cool-relay', 'L1', '#cool'),
      load('blower-cool', '#cool', 'N', motor(params.blowerVa)),
      contact('limit', 'R', '#limit'),
      contact('pressure', '#limit', '#draft'),
      contact('valve-relay', '#draft', '#valve'),
      load('gas-valve', '#valve', 'C', impedanceOf(VALVE_VOLTS, params.gasValveVa, 0.6, mains.hertz)),
    ];
  },
  loads: () => [
    { id: 'blower-cool', title: 'Blower (cooling speed)', element: 'blower-cool', serves: 'fan' },
    { id: 'blower-heat', title: 'Blower (heating speed)', element: 'blower-heat', serves: 'fan' },
    { id: 'inducer', title: 'Inducer', element: 'inducer', serves: 'heat', startedBy: 'W' },
    { id: 'igniter', title: 'Igniter', element: 'igniter', serves: 'heat', startedBy: 'W' },
    { id: 'gas-valve', title: 'Gas valve', element: 'gas-valve', serves: 'heat', startedBy: 'W' },
  ],
  initial: atRest,
  positions: (state, { controls }) => {
    const out = burnerOutputs(state);
    const when = (closed: boolean) => (closed ? 'closed' : 'open');
    return {
      'inducer-relay': when(out.inducer),
      'igniter-relay': when(out.igniter),
      'heat-relay': when(state.blower === 'heat'),
      'cool-relay': when(state.blower === 'cool'),
      limit: when(controls.limit === 'closed'),
      pressure: when(out.inducer && state.proved && controls.pressure === 'proves'),
      'valve-relay': when(out.valve),
    };
  },
  next,
  waits: (state, { settings }) => {
    const waits = [];
    if (state.steadyAt !== null) waits.push({ until: state.steadyAt, text: PHASES[state.phase] });
    if (state.until !== null) waits.push({ until: state.until, text: PHASES[state.phase] });
    if (state.heatOnAt !== null && state.blower !== 'heat')
      waits.push({ until: state.heatOnAt, text: `blower starts ${settings.heatOnS} s after flame` });
    if (state.heatOffAt !== null)
      waits.push({ until: state.heatOffAt, text: 'blower clears the heat exchanger' });
    if (state.coolOnAt !== null && state.blower !== 'cool')
      waits.push({ until: state.coolOnAt, text: 'blower starts shortly after the cooling call' });
    if (state.coolOffAt !== null)
      waits.push({ until: state.coolOffAt, text: 'blower runs on after cooling' });
    return waits;
  },
  face: (state) =>
    !state.powered
      ? { text: 'no lamp', tone: 'off', detail: 'The board has no 24 V.' }
      : state.phase === 'lockout'
        ? {
            text: 'lockout',
            tone: 'tripped',
            detail: 'Locked out: find why it would not light before resetting.',
          }
        : state.phase === 'limit'
          ? {
              text: 'limit open',
              tone: 'tripped',
              detail: 'High limit open: find the airflow fault. Never bypass it.',
            }
          : {
              text: SHORT[state.phase],
              tone: state.phase === 'idle' ? 'ok' : 'busy',
            },
  faults: [
    {
      mode: 'blower-relay-open',
      title: 'Cooling blower relay open',
      likelihood: 2,
      elements: { 'cool-relay': 'open' },
    },
    {
      mode: 'gas-valve-open',
      title: 'Gas valve coil open',
      likelihood: 2,
      elements: { 'gas-valve': 'open' },
    },
    { mode: 'w-input-open', title: 'W input dead', likelihood: 1, elements: { 'input-W': 'open' } },
  ],
});

/** The same in a word or two, for the board's face. */
const SHORT: Record<BurnerState['phase'], string> = {
  idle: 'lamp steady',
  proving: 'proving draft',
  prePurge: 'pre-purge',
  warmUp: 'warm-up',
  trial: 'ignition',
  burning: 'burner on',
  limit: 'limit open',
  postPurge: 'post-purge',
  lockout: 'lockout',
};

/** What the board is doing, in a technician's words. */
const PHASES: Record<BurnerState['phase'], string> = {
  idle: 'idle',
  proving: 'inducer on, draft not yet proved',
  prePurge: 'pre-purge',
  warmUp: 'igniter warming up',
  trial: 'trial for ignition',
  burning: 'burner on',
  limit: 'limit open',
  postPurge: 'post-purge',
  lockout: 'locked out',
};
