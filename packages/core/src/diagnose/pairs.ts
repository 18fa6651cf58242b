/** Two faults at once, and single ones that are rarer than those of the list, for when none of the list fits what was observed. */
import type { Inputs } from '../behaviour';
import type { Values } from '../devices';
import type { Dictionary } from './dictionary';
import { makeDictionary } from './dictionary';
import type { Hypothesis } from './hypotheses';
import { comesAndGoes, isListed, rarerHypotheses } from './hypotheses';
import { hypothesis } from './hypotheses/hypothesis';
import type { Observation } from './observation';
import { logsOf, rank } from './rank';

/** How often two things are wrong where one is; judgement. */
const TWO_AT_ONCE = 0.05;
/** So many are weighed exactly, the likeliest by what each alone would show; and so many of those are kept. */
const WEIGHED = 1500;
const KEPT = 150;
/** Weighed between two reports of how far it is. */
const AT_A_TIME = 100;
/** Logarithms closer than this are the same answer. */
const ALIKE = 0.1;

/** Told how many of how many were weighed; `false` stops it. */
type Tell = (done: number, of: number) => boolean;

const isSomething = (one: Hypothesis) =>
  one.failure.type !== 'none' && one.failure.type !== 'waiting' && !comesAndGoes(one) && isListed(one);

/** Values held by both; `null` where they hold the same otherwise. */
function merged<T extends Readonly<Record<string, Values>>>(one: T, other: T): Record<string, Values> | null {
  const all: Record<string, Values> = { ...one };
  for (const [device, values] of Object.entries(other)) {
    const before = all[device] ?? {};
    if (Object.entries(values).some(([name, value]) => name in before && before[name] !== value)) return null;
    all[device] = { ...before, ...values };
  }
  return all;
}

/** Both at once; `null` where they cannot be: the same contact stuck both ways. */
export function bothOf(one: Hypothesis, other: Hypothesis, totalWeight: number): Hypothesis | null {
  const held: Inputs['controls'] | null = merged(one.held, other.held);
  const settings = merged(one.settings, other.settings);
  const positions = { ...one.alteration.positions };
  for (const [branch, position] of Object.entries(other.alteration.positions ?? {})) {
    if (branch in positions && positions[branch] !== position) return null;
    positions[branch] = position;
  }
  if (!held || !settings || (one.line !== 1 && other.line !== 1)) return null;
  return hypothesis({
    id: `${one.id} & ${other.id}`,
    failure: { type: 'both', failures: [one.failure, other.failure] },
    remedy: { type: 'both', remedies: [one.remedy, other.remedy] },
    weight: (TWO_AT_ONCE * one.weight * other.weight) / totalWeight,
    alteration: {
      positions,
      bridges: [...(one.alteration.bridges ?? []), ...(other.alteration.bridges ?? [])],
    },
    held,
    settings,
    line: one.line * other.line,
    of: [one, other],
  });
}

/** Pairs by how well the one or the other alone would account for each observation, the best first. */
function likeliestPairs(dictionary: Dictionary, observations: readonly Observation[]) {
  const { hypotheses } = dictionary;
  const logs = logsOf(dictionary, observations);
  const deviates = logs.map((by) => Uint8Array.from(by, (log) => Number(Math.abs(log - by[0]!) > ALIKE)));
  const able = [...hypotheses.keys()].filter((i) => isSomething(hypotheses[i]!));
  const scored: { one: number; other: number; score: number }[] = [];
  able.forEach((one, n) => {
    for (let m = n + 1; m < able.length; m++) {
      const other = able[m]!;
      let score = Math.log(hypotheses[one]!.weight * hypotheses[other]!.weight);
      for (let o = 0; o < logs.length; o++) {
        const by = logs[o]!;
        const [first, second] = [deviates[o]![one]! > 0, deviates[o]![other]! > 0];
        score += first && second ? Math.max(by[one]!, by[other]!) : by[first ? one : second ? other : 0]!;
      }
      scored.push({ one, other, score });
    }
  });
  return scored.sort((first, second) => second.score - first.score).slice(0, WEIGHED);
}

/**
 * Pairs of hypotheses, and rarer ones, that fit what was observed, the likeliest first.
 *
 * @param dictionary - of single hypotheses, that nothing is wrong first.
 * @param tell - told how far it is; stops it by returning `false`: what was weighed by then is kept.
 */
export function pairsThatFit(
  dictionary: Dictionary,
  observations: readonly Observation[],
  tell: Tell = () => true,
): Hypothesis[] {
  const { circuit, hypotheses, states, trials } = dictionary;
  const total = hypotheses.reduce((sum, { weight }) => sum + weight, 0);
  const pairs = likeliestPairs(dictionary, observations).flatMap(
    ({ one, other }) => bothOf(hypotheses[one]!, hypotheses[other]!, total) ?? [],
  );
  const rarer = [...rarerHypotheses(circuit), ...pairs];
  const exact = makeDictionary(circuit, rarer, states, trials);
  const asked = new Set(observations.flatMap((one) => ('state' in one ? [one.state] : [])));
  let weighed = rarer.length;
  for (let i = 0; i < rarer.length; i++) {
    if (i % AT_A_TIME === 0 && tell(i, rarer.length) === false) {
      weighed = i;
      break;
    }
    for (const state of asked) exact.predict(i, state);
  }
  const { shares } = rank({ ...exact, hypotheses: rarer.slice(0, weighed) }, observations);
  return [...shares.keys()]
    .sort((one, other) => shares[other]! - shares[one]!)
    .slice(0, KEPT)
    .map((i) => rarer[i]!);
}

/** The dictionary with pairs among its hypotheses: what it knows of the others it keeps. */
export function withPairs(singles: Dictionary, pairs: readonly Hypothesis[]): Dictionary {
  const { circuit, hypotheses, states, trials } = singles;
  const added = makeDictionary(circuit, pairs, states, trials);
  return {
    ...singles,
    hypotheses: [...hypotheses, ...pairs],
    predict: (i, state, opened) =>
      i < hypotheses.length
        ? singles.predict(i, state, opened)
        : added.predict(i - hypotheses.length, state, opened),
  };
}
