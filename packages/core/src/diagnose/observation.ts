/** What was observed, and how well a prediction agrees with it. */
import type { Cable, Circuit, End } from '../circuit';
import { findCable, findConductor, splitTerminal } from '../circuit';
import type { MeterMode, OperatingPoint, Probes, Reading } from '../network';
import { METER_MODES } from '../network';
import type { Air, Prediction } from './dictionary';
import type { Hypothesis } from './hypotheses';
import { remedyKey, singlesOf } from './hypotheses';

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
  /** What a meter read, in the units of its mode; `open` for ohms beyond its range. */
  | { type: 'reading'; state: string; probes: Probes; value: number | 'open' }
  /** What a clamp about a conductor found, A. */
  | { type: 'clamp'; state: string; conductor: string; amps: number }
  /** A look at a device and its block: what was found of what shows there, by hypothesis; `null` when all is sound. */
  | { type: 'look'; device: string; found: string | null }
  /** A device's parts tested by themselves, power off: what was found bad, by hypothesis; `null` when all are good. */
  | { type: 'test'; device: string; found: string | null }
  /** A cable's conductors, both ends off, tested for continuity, to each other and to metal. */
  | { type: 'wires'; cable: string; found: string | null }
  /** Something was put right and the circuit tried again: by the key of the remedy. */
  | { type: 'repaired'; remedy: string; helped: boolean };

/** How often a person misses or mistakes what there is to see, and a meter's figure is plainly wrong; judgement. */
export const MISSED = 0.03;
const MISREAD = 0.01;
/** How often a screen is lit though nothing feeds it from the wires: some have a coin cell; judgement. */
const LIT_BY_COIN_CELL = 0.08;
/** How often something loose or wrong is overlooked by who looks at it and tugs; judgement. */
const OVERLOOKED = 0.03;
/** How often a part tested by itself is taken for what it is not; judgement. */
const MISTESTED = 0.02;
/** How often a repair leaves what it was for as it was; judgement. */
const BOTCHED = 0.05;
/**
 * Spread of a meter's reading about the true value, share and units: field meters, from memory. What is predicted may be
 * off by as much again: other mains, a warm coil, another make; judgement.
 */
const SPREADS: Readonly<Record<MeterMode, { share: number; model: number; floor: number }>> = {
  'ac-volts': { share: 0.03, model: 0.04, floor: 0.2 },
  'dc-volts': { share: 0.03, model: 0.04, floor: 0.2 },
  ohms: { share: 0.03, model: 0.15, floor: 0.5 },
  amps: { share: 0.05, model: 0.15, floor: 0.1 },
};
/** Readings that are plainly wrong fall anywhere up to this, V, Ω or A. */
const ANYWHERE = 150;
/** Nothing is quite impossible: a record may be wrong. */
const LEAST = 1e-9;

const SPREAD_SHARES = Object.fromEntries(
  METER_MODES.map((mode) => [mode, Math.hypot(SPREADS[mode].share, SPREADS[mode].model)]),
) as Record<MeterMode, number>;

/** Standard deviation of a reading about what is predicted. */
export const spreadOf = (predicted: number, mode: MeterMode = 'ac-volts'): number =>
  Math.sqrt(SPREADS[mode].floor ** 2 + (predicted * SPREAD_SHARES[mode]) ** 2);

/** A figure's density about what is predicted, without the plainly wrong ones. */
function nearness(value: number | 'open', predicted: number, mode: MeterMode): number {
  if (value === 'open' || predicted === Infinity) return Number(value === 'open' && predicted === Infinity);
  const spread = spreadOf(predicted, mode);
  const apart = (value - predicted) / spread;
  return Math.exp(-(apart ** 2) / 2) / (spread * Math.sqrt(2 * Math.PI));
}

/** The device a conductor's end is landed on, as recorded. */
type DeviceOf = (conductor: string, end: End) => string | null;

const deviceIn =
  (circuit: Circuit): DeviceOf =>
  (conductor, end) => {
    const terminal = findConductor(circuit, conductor)?.[end];
    return terminal ? splitTerminal(terminal).deviceId : null;
  };

/** Devices at which a failure shows to a person who looks. */
function shownBy({ failure, remedy }: Hypothesis, deviceOf: DeviceOf): readonly (string | null)[] {
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

const isPartOf = ({ failure, alteration }: Hypothesis, device: string): boolean =>
  failure.type === 'part' && failure.device === device && Object.keys(alteration.positions ?? {}).length > 0;

function isWireOf({ failure }: Hypothesis, { id, conductors }: Cable): boolean {
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

/** What who looks at a device and its block finds, of all that is wrong. */
export const seenAt = (given: Hypothesis, circuit: Circuit, device: string): Hypothesis[] =>
  singlesOf(given).filter((one) => shownBy(one, deviceIn(circuit)).includes(device));

/** What of a device is bad in a way that shows when its parts are tested by themselves. */
export const badParts = (given: Hypothesis, device: string): Hypothesis[] =>
  singlesOf(given).filter((one) => isPartOf(one, device));

/** What of a cable is broken, or touches what it should not. */
export const badWires = (given: Hypothesis, cable: Cable): Hypothesis[] =>
  singlesOf(given).filter((one) => isWireOf(one, cable));

/** Readings by point and where the probes are: many hypotheses share a point, and one is read there more than once. */
const readings = new WeakMap<OperatingPoint, Map<string, Reading>>();

function measured({ mode, red, black, meter }: Probes, { point, read }: Prediction): Reading {
  const byProbes = readings.get(point) ?? new Map<string, Reading>();
  readings.set(point, byProbes);
  const key = `${mode} ${meter} ${red} ${black}`;
  const known = byProbes.get(key);
  if (known) return known;
  const made = read({ mode, red, black, meter });
  byProbes.set(key, made);
  return made;
}

/** How likely an observation is where a hypothesis holds, and how likely as a mistake of who made it. */
export interface Likelihood {
  right: number;
  mistaken: number;
}

const ofSight = (agrees: boolean): Likelihood =>
  agrees ? { right: 1 - MISSED, mistaken: 0 } : { right: 0, mistaken: MISSED };

/** Who looks or tests finds what shows, or misses it; what does not show is hardly ever found. */
function ofFound(shows: readonly Hypothesis[], found: string | null, missed: number): Likelihood {
  if (found === null)
    return shows.length > 0
      ? { right: 0, mistaken: missed ** shows.length }
      : { right: 1 - missed, mistaken: 0 };
  return shows.some(({ id }) => id === found)
    ? { right: (1 - missed) / shows.length, mistaken: 0 }
    : { right: 0, mistaken: LEAST };
}

function ofScreen(blank: boolean, lit: boolean): Likelihood {
  if (!blank) return ofSight(lit);
  return lit ? { right: 0, mistaken: LIT_BY_COIN_CELL } : { right: 1 - LIT_BY_COIN_CELL, mistaken: 0 };
}

const ofFigure = (value: number | 'open', predicted: number, mode: MeterMode): Likelihood => ({
  right: (1 - MISREAD) * nearness(value, predicted, mode),
  mistaken: value === 'open' || predicted === Infinity ? MISREAD : MISREAD / ANYWHERE,
});

/** @param predict - what the hypothesis predicts in a state. */
export function likelihood(
  observation: Observation,
  hypothesis: Hypothesis,
  predict: (state: string) => Prediction,
  circuit: Circuit,
): Likelihood {
  switch (observation.type) {
    case 'runs': {
      const { state, device, load, on } = observation;
      return ofSight(predict(state).runs.has(`${device}/${load}`) === on);
    }
    case 'air':
      return ofSight(predict(observation.state).air === observation.air);
    case 'screen':
      return ofScreen(predict(observation.state).blank.has(observation.device), observation.lit);
    case 'face':
      return ofSight(predict(observation.state).faces.get(observation.device) === observation.text);
    case 'look':
      return ofFound(seenAt(hypothesis, circuit, observation.device), observation.found, OVERLOOKED);
    case 'test':
      return ofFound(badParts(hypothesis, observation.device), observation.found, MISTESTED);
    case 'wires':
      return ofFound(
        badWires(hypothesis, findCable(circuit, observation.cable)!),
        observation.found,
        MISTESTED,
      );
    case 'clamp':
      return ofFigure(observation.amps, predict(observation.state).clamp(observation.conductor), 'amps');
    case 'reading': {
      const { state, value, probes } = observation;
      const reading = measured(probes, predict(state));
      return reading.ok
        ? ofFigure(value, reading.value, probes.mode)
        : { right: 0, mistaken: MISREAD / ANYWHERE };
    }
    case 'repaired': {
      const put = remedyKey(hypothesis.remedy) === observation.remedy;
      if (!observation.helped) return put ? { right: 0, mistaken: BOTCHED } : { right: 1, mistaken: 0 };
      return put ? { right: 1 - BOTCHED, mistaken: 0 } : { right: 0, mistaken: BOTCHED };
    }
  }
}

/** The whole likelihood: nothing is quite impossible. */
export const wholeOf = ({ right, mistaken }: Likelihood): number => Math.max(LEAST, right + mistaken);
