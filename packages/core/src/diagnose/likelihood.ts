/** How likely what was observed is, by hypothesis: readings miss, people overlook, and nothing is quite impossible. */
import type { Circuit } from '../circuit';
import { findCable } from '../circuit';
import type { MeterMode, OperatingPoint, Probes, Reading } from '../network';
import { METER_MODES } from '../network';
import type { Prediction } from './dictionary';
import type { Hypothesis } from './hypotheses';
import { foundAs, isListed, otherwiseAt, remedyKey, testedModes } from './hypotheses';
import type { Observation } from './observation';
import { badParts, badWires, isCuredBySwap, shownAt } from './observation';
import { chanceOfSight } from './sights';
import { NOTHING_CALLED } from './states';

/** How often a person misses or mistakes what there is to see, and a meter's figure is plainly wrong; judgement. */
export const MISSED = 0.03;
const MISREAD = 0.01;
/** How often a screen is lit though nothing feeds it from the wires: some have a coin cell; judgement. */
const LIT_BY_COIN_CELL = 0.08;
/** How often something loose or wrong is overlooked by who looks at it and tugs; judgement. */
const OVERLOOKED = 0.03;
/** How often a part tested by itself is taken for what it is not; judgement. */
const MISTESTED = 0.02;
/** How often what was not there is said to have been found, and how many things there are to be said; judgement. */
const SLIP = 0.004;
const FINDINGS = 10;
/** How often a repair leaves what it was for as it was; judgement. */
const BOTCHED = 0.05;
/** How often a part that was replaced not long ago is bad again, against one that was not; judgement. */
const NEW_ONE_BAD = 0.1;
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
/** A figure's density where it may be anything: volts of a control circuit, ohms of a coil, amperes of a load. */
const ANY_FIGURE: Readonly<Record<MeterMode, number>> = {
  'ac-volts': 1 / 40,
  'dc-volts': 1 / 40,
  ohms: 1 / 400,
  amps: 1 / 10,
};
/** Nothing is quite impossible: a record may be wrong. */
const LEAST = 1e-15;

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

/** Faces a device shows one of, about: who misses the right one says one of the others. */
const FACES = 4;

const ofFace = (agrees: boolean): Likelihood => {
  const { right, mistaken } = ofSight(agrees);
  return { right, mistaken: mistaken / (FACES - 1) };
};

/**
 * Who looks or tests finds what shows, or misses it; what does not show is hardly ever found.
 *
 * @param slip - how often it is said to have been found where it is not.
 */
function ofFound(
  shows: readonly Hypothesis[],
  found: string | null,
  missed: number,
  slip = SLIP / FINDINGS,
): Likelihood {
  if (found === null)
    return shows.length > 0
      ? { right: 0, mistaken: missed ** shows.length }
      : { right: 1 - missed, mistaken: 0 };
  return shows.some((one) => foundAs(one) === found)
    ? { right: (1 - missed) / shows.length, mistaken: 0 }
    : { right: 0, mistaken: slip };
}

/** Ends that are written down one by one as otherwise than recorded are hardly a slip of the finger. */
function ofLook(
  { device, found }: Extract<Observation, { type: 'look' }>,
  shows: readonly Hypothesis[],
): Likelihood {
  return ofFound(shows, found, OVERLOOKED, found === otherwiseAt(device) ? LEAST : undefined);
}

/** A fuse that has blown is found blown whatever blew it. */
function ofTest(
  { device, found }: Extract<Observation, { type: 'test' }>,
  hypothesis: Hypothesis,
  predict: (state: string) => Prediction,
  circuit: Circuit,
): Likelihood {
  const bad = badParts(hypothesis, device);
  if (bad.length > 0 || !predict(NOTHING_CALLED).opened.includes(device))
    return ofFound(bad, found, MISTESTED);
  if (found === null) return { right: 0, mistaken: MISTESTED };
  const modes = testedModes(circuit, device);
  return modes.includes(found)
    ? { right: (1 - MISTESTED) / modes.length, mistaken: 0 }
    : { right: 0, mistaken: SLIP / FINDINGS };
}

function ofScreen(blank: boolean, lit: boolean): Likelihood {
  if (!blank) return ofSight(lit);
  return lit ? { right: 0, mistaken: LIT_BY_COIN_CELL } : { right: 1 - LIT_BY_COIN_CELL, mistaken: 0 };
}

const ofFigure = (value: number | 'open', predicted: number, mode: MeterMode): Likelihood => ({
  right: (1 - MISREAD) * nearness(value, predicted, mode),
  mistaken: value === 'open' || predicted === Infinity ? MISREAD : MISREAD / ANYWHERE,
});

/** Something was done about it, and it helped or did not. */
function ofOutcome(puts: boolean, helped: boolean): Likelihood {
  if (!helped) return puts ? { right: 0, mistaken: BOTCHED } : { right: 1, mistaken: 0 };
  return puts ? { right: 1 - BOTCHED, mistaken: 0 } : { right: 0, mistaken: BOTCHED };
}

/** What a listed hypothesis makes of it. */
function ofListed(
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
      return ofFace(predict(observation.state).faces.get(observation.device) === observation.text);
    case 'look':
      return ofLook(observation, shownAt(hypothesis, circuit, observation.device));
    case 'test':
      return ofTest(observation, hypothesis, predict, circuit);
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
    case 'repaired':
      return ofOutcome(remedyKey(hypothesis.remedy) === observation.remedy, observation.helped);
    case 'swapped':
      return ofOutcome(isCuredBySwap(hypothesis, observation.device), observation.helped);
    case 'replaced': {
      const { failure } = hypothesis;
      const isBad =
        (failure.type === 'part' || failure.type === 'element') && failure.device === observation.device;
      return { right: isBad ? NEW_ONE_BAD : 1 - NEW_ONE_BAD, mistaken: 0 };
    }
    case 'sight':
      return { right: chanceOfSight(observation, hypothesis, circuit), mistaken: 0 };
  }
}

/** How likely anything at all is to be observed, where what is wrong is not listed; a figure's by its unit. Judgement. */
function ofAnything(observation: Extract<Observation, { state: string }>): number {
  switch (observation.type) {
    case 'runs':
    case 'screen':
      return 1 / 2;
    case 'air':
      return 1 / 4;
    case 'face':
      return 1 / FACES;
    case 'reading':
      return observation.value === 'open' ? 1 / 2 : ANY_FIGURE[observation.probes.mode];
    case 'clamp':
      return ANY_FIGURE.amps;
  }
}

/** What is not listed leaves so much of a circuit as it would be; judgement. */
const UNTOUCHED = 0.5;

/**
 * How likely an observation is under a hypothesis. What is not listed predicts what a sound circuit would, or anything;
 * a look, a test or a repair finds of it what it finds of any other.
 *
 * @param predict - what the hypothesis predicts in a state.
 */
export function likelihood(
  observation: Observation,
  hypothesis: Hypothesis,
  predict: (state: string) => Prediction,
  circuit: Circuit,
): Likelihood {
  const listed = ofListed(observation, hypothesis, predict, circuit);
  if (isListed(hypothesis) || !('state' in observation)) return listed;
  return { right: UNTOUCHED * listed.right + (1 - UNTOUCHED) * ofAnything(observation), mistaken: 0 };
}

/** The whole likelihood: nothing is quite impossible. */
export const wholeOf = ({ right, mistaken }: Likelihood): number => Math.max(LEAST, right + mistaken);
