/** What was observed, and how well a prediction agrees with it. */
import type { Cable, Circuit, End } from '../circuit';
import { findCable, findConductor, splitTerminal } from '../circuit';
import type { OperatingPoint, Probes, Reading } from '../network';
import type { Air, Prediction } from './dictionary';
import type { Hypothesis } from './hypotheses';

/** Made in an operating state, by its id. */
export type Observation =
  /** Whether a load runs. */
  | { type: 'runs'; state: string; device: string; load: string; on: boolean }
  /** What is felt at the outlets. */
  | { type: 'air'; state: string; air: Air }
  /** Whether a thermostat's screen is lit. */
  | { type: 'screen'; state: string; device: string; lit: boolean }
  /** What a device shows: its lamp, its display, a handle. */
  | { type: 'face'; state: string; device: string; text: string }
  /** What a meter read; ohms `Infinity` for an open loop. */
  | { type: 'reading'; state: string; probes: Probes; value: number }
  /** A look at a device and its block: what was found of what shows there, by hypothesis; `null` when all is sound. */
  | { type: 'look'; device: string; found: string | null }
  /** A device's parts tested by themselves, power off: what was found bad, by hypothesis; `null` when all are good. */
  | { type: 'test'; device: string; found: string | null }
  /** A cable's conductors, both ends off, tested for continuity, to each other and to metal. */
  | { type: 'wires'; cable: string; found: string | null };

/** How often a person misses or mistakes what there is to see, and a meter's figure is plainly wrong; judgement. */
export const MISSED = 0.03;
const MISREAD = 0.01;
/** How often a screen is lit though nothing feeds it from the wires: some have a coin cell; judgement. */
const LIT_BY_COIN_CELL = 0.08;
/** How often something loose or wrong is overlooked by who looks at it and tugs; judgement. */
const OVERLOOKED = 0.03;
/** How often a part tested by itself is taken for what it is not; judgement. */
const MISTESTED = 0.02;
/** Spread of a meter's reading about the true value, share and units: field meters, from memory. */
const METER_SPREAD = { share: 0.03, floor: 0.2 } as const;
/** What is predicted may be off by as much again: other mains, a warm coil, another make; judgement. */
const MODEL_SHARE = 0.04;
/** Readings that are plainly wrong fall anywhere up to this, V, Ω or A. */
const ANYWHERE = 150;
/** Nothing is quite impossible: a record may be wrong. */
const LEAST = 1e-9;

const SPREAD_SHARE = Math.hypot(METER_SPREAD.share, MODEL_SHARE);

/** Standard deviation of a reading about what is predicted. */
export const spreadOf = (predicted: number): number =>
  Math.sqrt(METER_SPREAD.floor ** 2 + (predicted * SPREAD_SHARE) ** 2);

function ofValue(value: number, predicted: number): number {
  if (value === Infinity || predicted === Infinity) return value === predicted ? 1 - MISREAD : MISREAD;
  const spread = spreadOf(predicted);
  const apart = (value - predicted) / spread;
  const near = Math.exp(-(apart ** 2) / 2) / (spread * Math.sqrt(2 * Math.PI));
  return (1 - MISREAD) * near + MISREAD / ANYWHERE;
}

const either = (agrees: boolean) => (agrees ? 1 - MISSED : MISSED);

/** The device a conductor's end is landed on, as recorded. */
type DeviceOf = (conductor: string, end: End) => string | null;

export const deviceIn =
  (circuit: Circuit): DeviceOf =>
  (conductor, end) => {
    const terminal = findConductor(circuit, conductor)?.[end];
    return terminal ? splitTerminal(terminal).deviceId : null;
  };

/** Devices at which a failure shows to a person who looks. */
export function showsAt({ failure, remedy }: Hypothesis, deviceOf: DeviceOf): readonly (string | null)[] {
  switch (failure.type) {
    case 'part':
      return remedy.type === 'part' && remedy.mend === 'refit' ? [failure.device] : [];
    case 'loose':
    case 'poor-joint':
      return [deviceOf(failure.conductor, failure.end)];
    case 'landing': {
      const { wrong } = failure;
      const ends = wrong.type === 'moved' ? [wrong.landed] : [wrong.one, wrong.other];
      return ends.map(({ terminal }) => splitTerminal(terminal).deviceId);
    }
    case 'strand':
    case 'jumper-left':
      return [splitTerminal(failure.terminals[0]).deviceId];
    default:
      return [];
  }
}

/** Whether a part of a device is bad in a way that shows when it is tested by itself. */
export const isBadPart = ({ failure, alteration }: Hypothesis, device: string): boolean =>
  failure.type === 'part' && failure.device === device && Object.keys(alteration.positions ?? {}).length > 0;

/** Whether a cable has a conductor that is broken, or touches what it should not. */
export function isBadWire({ failure }: Hypothesis, { id, conductors }: Cable): boolean {
  switch (failure.type) {
    case 'cut-through':
      return failure.cable === id;
    case 'broken':
    case 'grounded':
    case 'touching':
      return conductors.some((conductor) => conductor.id === failure.conductor);
    default:
      return false;
  }
}

/** Who looks or tests finds what shows, or misses it; what does not show is hardly ever found. */
function ofFound(shows: boolean, found: string | null, { id }: Hypothesis, missed: number): number {
  if (found === null) return shows ? missed : 1 - missed;
  return shows && found === id ? 1 - missed : LEAST;
}

/** Readings by observation and point: many hypotheses share a point. */
const readings = new WeakMap<Observation, WeakMap<OperatingPoint, Reading>>();

function measured(
  observation: Extract<Observation, { type: 'reading' }>,
  { point, read }: Prediction,
): Reading {
  const byPoint = readings.get(observation) ?? new WeakMap<OperatingPoint, Reading>();
  readings.set(observation, byPoint);
  const known = byPoint.get(point);
  if (known) return known;
  const made = read(observation.probes);
  byPoint.set(point, made);
  return made;
}

/**
 * How likely an observation is where a hypothesis holds.
 *
 * @param predict - what it predicts in a state.
 */
export function likelihood(
  observation: Observation,
  hypothesis: Hypothesis,
  predict: (state: string) => Prediction,
  circuit: Circuit,
): number {
  const deviceOf = deviceIn(circuit);
  switch (observation.type) {
    case 'runs': {
      const { state, device, load, on } = observation;
      return either(predict(state).runs.has(`${device}/${load}`) === on);
    }
    case 'air':
      return either(predict(observation.state).air === observation.air);
    case 'screen': {
      const blank = predict(observation.state).blank.has(observation.device);
      if (blank) return observation.lit ? LIT_BY_COIN_CELL : 1 - LIT_BY_COIN_CELL;
      return either(observation.lit);
    }
    case 'face':
      return either(predict(observation.state).faces.get(observation.device) === observation.text);
    case 'look': {
      const shows = showsAt(hypothesis, deviceOf).includes(observation.device);
      return ofFound(shows, observation.found, hypothesis, OVERLOOKED);
    }
    case 'test':
      return ofFound(isBadPart(hypothesis, observation.device), observation.found, hypothesis, MISTESTED);
    case 'wires': {
      const cable = findCable(circuit, observation.cable)!;
      return ofFound(isBadWire(hypothesis, cable), observation.found, hypothesis, MISTESTED);
    }
    case 'reading': {
      const { state, value } = observation;
      const reading = measured(observation, predict(state));
      return Math.max(LEAST, reading.ok ? ofValue(value, reading.value) : MISREAD / ANYWHERE);
    }
  }
}
