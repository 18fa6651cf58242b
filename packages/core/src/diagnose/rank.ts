/** What is left, by how likely it is: Bayes over the predictions of every hypothesis. */
import type { Dictionary } from './dictionary';
import type { Observation } from './observation';
import { likelihood } from './observation';
import type { Remedy } from './hypotheses';
import { remedyKey } from './hypotheses';

/** Hypotheses that are put right by the same work. */
export interface Group {
  remedy: Remedy;
  share: number;
  /** Indices of its hypotheses, the likeliest first. */
  members: readonly number[];
}

export interface Ranking {
  /** By hypothesis; they add up to 1. */
  shares: Float64Array;
  /** The likeliest first. */
  groups: readonly Group[];
}

/** Sure enough to set to work; and to condemn a part. */
const SURE = 0.9;
const SURE_OF_PART = 0.98;

/** Whether what is left is sure enough: a part is not condemned on less than nearly all. */
export function isSettled({ groups }: Ranking): boolean {
  const [best] = groups;
  if (!best) return false;
  const { remedy } = best;
  const condemns = remedy.type === 'part' && (remedy.mend === 'replace' || remedy.mend === 'defer');
  return best.share >= (condemns ? SURE_OF_PART : SURE);
}

function groupsOf({ hypotheses }: Pick<Dictionary, 'hypotheses'>, shares: Float64Array): Group[] {
  const groups = new Map<string, { remedy: Remedy; share: number; members: number[] }>();
  hypotheses.forEach(({ remedy }, i) => {
    const key = remedyKey(remedy);
    const group = groups.get(key) ?? { remedy, share: 0, members: [] };
    group.share += shares[i]!;
    group.members.push(i);
    groups.set(key, group);
  });
  const sorted = [...groups.values()].sort((one, other) => other.share - one.share);
  for (const { members } of sorted) members.sort((one, other) => shares[other]! - shares[one]!);
  return sorted;
}

/** What an observation says of every hypothesis, worked out once: logarithms of likelihoods. */
const weighed = new WeakMap<Dictionary, WeakMap<Observation, Float64Array>>();

function logsOf(dictionary: Dictionary, observation: Observation): Float64Array {
  const byObservation = weighed.get(dictionary) ?? new WeakMap<Observation, Float64Array>();
  weighed.set(dictionary, byObservation);
  const known = byObservation.get(observation);
  if (known) return known;
  const made = Float64Array.from(dictionary.hypotheses, (hypothesis, i) =>
    Math.log(
      likelihood(observation, hypothesis, (state) => dictionary.predict(i, state), dictionary.circuit),
    ),
  );
  byObservation.set(observation, made);
  return made;
}

/**
 * Weighs every hypothesis by what was observed. An observation that is withdrawn is left out of the list; one that is
 * corrected is another.
 *
 * @example
 * const { groups } = rank(dictionary, [{ type: 'face', state, device: 'stat', text: 'blank' }]);
 */
export function rank(dictionary: Dictionary, observations: readonly Observation[]): Ranking {
  const logs = Float64Array.from(dictionary.hypotheses, ({ weight }) => Math.log(weight));
  for (const observation of observations)
    logsOf(dictionary, observation).forEach((log, i) => (logs[i]! += log));
  const most = logs.reduce((highest, log) => Math.max(highest, log), -Infinity);
  const shares = logs.map((log) => Math.exp(log - most));
  const total = shares.reduce((sum, share) => sum + share, 0);
  for (let i = 0; i < shares.length; i++) shares[i]! /= total;
  return { shares, groups: groupsOf(dictionary, shares) };
}
