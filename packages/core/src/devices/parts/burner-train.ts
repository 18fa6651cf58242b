/**
 * The burner of a gas appliance as its board switches it: inducer, igniter and gas valve
 * with draft switch and limit, for every board that has one.
 */
import { CONTROL_VOLTS, when, works } from './board';
import type { BurnerPhase, BurnerState, BurnerTimes } from './burner-sequence';
import { burnerOutputs, stepBurner } from './burner-sequence';
import type { Positions, Senses } from '../context';
import type { Face, FaultMode, Wait } from '../define';
import type { Actuation, Load } from '../traits';
import type { Element } from '../element';
import { LOGIC, contact, impedanceOf, inputOf, load } from '../element';
import type { ValuesOf } from '../fields';
import { choice, num, seconds } from '../fields';

/** Shares of their rated current the inducer needs to prove draft and the igniter to light. From memory. */
const DRAFT_SHARE = 0.7;
const HOT_SHARE = 0.7;

export const burnerParams = {
  lineVolts: num({
    label: 'Line supply',
    unit: 'V',
    default: 120,
    min: 100,
    max: 277,
    source: 'read the label',
  }),
  gasValveVa: num({ label: 'Gas valve', unit: 'VA', default: 12, min: 1, max: 60, source: 'from memory' }),
  inducerVa: num({ label: 'Inducer', unit: 'VA', default: 120, min: 10, max: 500, source: 'from memory' }),
  igniterVa: num({ label: 'Igniter', unit: 'VA', default: 400, min: 20, max: 800, source: 'from memory' }),
};

export const burnerSettings = {
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
};

export const burnerControls = {
  pressure: choice('Draft pressure switch', { proves: 'Proves', stuck: 'Does not prove' }, 'proves'),
  limit: choice('High limit', { closed: 'Closed', tripped: 'Tripped' }, 'closed'),
  gas: choice('Gas', { on: 'On', off: 'Off' }, 'on'),
};

type Params = ValuesOf<typeof burnerParams>;
type Controls = ValuesOf<typeof burnerControls>;

/** Impedance of a motor on the line side. */
export const motorImpedance = (volts: number, va: number, hertz: number) =>
  impedanceOf(volts, va, 0.75, hertz);

/** Elements between L1 and N, and the gas valve between R and C; a second stage adds its own solenoid. */
export function burnerElements(params: Params, hertz: number, twoStage = false): Element[] {
  const valve = impedanceOf(CONTROL_VOLTS, params.gasValveVa, 0.6, hertz);
  return [
    contact('inducer-relay', 'L1', '#inducer'),
    load('inducer', '#inducer', 'N', motorImpedance(params.lineVolts, params.inducerVa, hertz)),
    contact('igniter-relay', 'L1', '#igniter'),
    load('igniter', '#igniter', 'N', impedanceOf(params.lineVolts, params.igniterVa, 1, hertz)),
    contact('limit', 'R', '#limit'),
    contact('pressure', '#limit', '#draft'),
    contact('valve-relay', '#draft', '#valve'),
    load('gas-valve', '#valve', 'C', valve),
    ...(twoStage
      ? [contact('high-relay', '#valve', '#high'), load('gas-valve-high', '#high', 'C', valve)]
      : []),
  ];
}

/** The loads with the terminal that starts them. */
export function burnerLoads(startedBy: string, twoStage = false): Load[] {
  const heat = (id: string, title: string, nature: Load['nature']): Load => ({
    id,
    title,
    element: id,
    nature,
    serves: 'heat',
    startedBy,
  });
  return [
    heat('inducer', 'Inducer', 'inducer'),
    heat('igniter', 'Igniter', 'igniter'),
    heat('gas-valve', 'Gas valve', 'flame'),
    ...(twoStage ? [heat('gas-valve-high', 'Gas valve, second stage', 'flame')] : []),
  ];
}

/** What moves the burner's relays: its call, and for the valve the draft and the first stage. */
export function burnerActuation(startedBy: string): Actuation {
  const called = [[inputOf(startedBy), LOGIC]];
  return {
    'inducer-relay': called,
    'igniter-relay': [[...called[0]!, 'inducer']],
    pressure: [['inducer']],
    'valve-relay': [[...called[0]!, 'inducer', 'igniter']],
    'high-relay': [['input-W2', 'logic']],
  };
}

/** The burner's next state from what its board feels. */
export function nextBurner(
  state: BurnerState,
  call: boolean,
  senses: Senses,
  moment: { params: Params; settings: BurnerTimes; controls: Controls; now: number },
): BurnerState {
  const { params, settings, controls, now } = moment;
  const pulls = senses.amps('inducer') >= (DRAFT_SHARE * params.inducerVa) / params.lineVolts;
  const glows = senses.amps('igniter') >= (HOT_SHARE * params.igniterVa) / params.lineVolts;
  const inputs = {
    call,
    draft: controls.pressure === 'proves' && pulls,
    // Once lit a flame needs no igniter.
    flame:
      controls.gas === 'on' &&
      works(senses, 'gas-valve', params.gasValveVa) &&
      (state.phase === 'burning' || glows),
    limit: controls.limit === 'closed',
  };
  return stepBurner(state, inputs, settings, now);
}

export const isBurning = ({ phase }: BurnerState) => phase === 'burning' || phase === 'limit';

export function burnerPositions(state: BurnerState, controls: Controls): Positions {
  const out = burnerOutputs(state);
  return {
    'inducer-relay': when(out.inducer),
    'igniter-relay': when(out.igniter),
    limit: when(controls.limit === 'closed'),
    pressure: when(out.inducer && state.proved && controls.pressure === 'proves'),
    'valve-relay': when(out.valve),
  };
}

export function burnerWaits({ phase, steadyAt, until }: BurnerState): Wait[] {
  const { long: text, steady, over } = PHASES[phase];
  return [
    ...(steadyAt === null ? [] : [{ until: steadyAt, text, done: steady }]),
    ...(until === null ? [] : [{ until, text, done: over }]),
  ];
}

export function burnerFace(state: BurnerState & { powered: boolean }): Face {
  if (!state.powered) return { text: 'no lamp', tone: 'off', detail: 'The board has no 24 V.' };
  const text = PHASES[state.phase].short;
  if (state.phase === 'lockout')
    return { text, tone: 'tripped', detail: 'Locked out: find why it would not light before resetting.' };
  if (state.phase === 'limit')
    return { text, tone: 'tripped', detail: 'High limit open: find the airflow fault. Never bypass it.' };
  return { text, tone: state.phase === 'idle' ? 'ok' : 'busy' };
}

/** Combustion is for who is licensed for it. */
export const burnerFaults: readonly FaultMode[] = [
  {
    mode: 'gas-valve-open',
    title: 'Gas valve coil open',
    likelihood: 2,
    elements: { 'gas-valve': 'open' },
    part: 'Gas valve',
    mend: 'defer',
  },
  {
    mode: 'inducer-open',
    title: 'Inducer open',
    likelihood: 2,
    elements: { inducer: 'open' },
    part: 'Inducer',
    mend: 'defer',
  },
  {
    mode: 'igniter-open',
    title: 'Igniter cracked',
    likelihood: 3,
    elements: { igniter: 'open' },
    part: 'Igniter',
    mend: 'defer',
  },
  {
    mode: 'draft-not-proved',
    title: 'Draft switch does not prove',
    likelihood: 3,
    controls: { pressure: 'stuck' },
    mend: 'defer',
  },
  {
    mode: 'limit-open',
    title: 'High limit open',
    likelihood: 2,
    controls: { limit: 'tripped' },
    mend: 'defer',
  },
  { mode: 'no-gas', title: 'No gas', likelihood: 1, controls: { gas: 'off' }, mend: 'defer' },
];

/** What a phase is called on the board's face and in the status, and what ends it. */
const PHASES: Record<BurnerPhase, { short: string; long: string; steady: string; over: string }> = {
  idle: { short: 'lamp steady', long: 'idle', steady: '', over: '' },
  proving: {
    short: 'proving draft',
    long: 'inducer on, draft not yet proved',
    steady: 'draft proved',
    over: 'draft never proved',
  },
  prePurge: { short: 'pre-purge', long: 'pre-purge', steady: '', over: 'pre-purge done' },
  warmUp: { short: 'warm-up', long: 'igniter warming up', steady: '', over: 'igniter hot' },
  trial: {
    short: 'ignition',
    long: 'trial for ignition',
    steady: 'flame seen',
    over: 'no flame in the trial',
  },
  burning: { short: 'burner on', long: 'burner on', steady: '', over: '' },
  limit: { short: 'limit open', long: 'limit open', steady: '', over: '' },
  postPurge: { short: 'post-purge', long: 'post-purge', steady: '', over: 'post-purge done' },
  lockout: { short: 'lockout', long: 'locked out', steady: '', over: 'lockout over' },
};
