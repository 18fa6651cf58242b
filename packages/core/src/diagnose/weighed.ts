/** What observations say of every hypothesis, each worked out once. */
import type { Dictionary } from './dictionary';
import { comesAndGoes } from './hypotheses';
import type { Likelihood } from './likelihood';
import { likelihood, wholeOf } from './likelihood';
import type { Observation } from './observation';
import { before } from './visited';

/** By hypothesis. */
interface Weighed {
  /** Logarithms of the likelihoods. */
  logs: Float64Array;
  /** How far it would be a mistake of who made it, 0 to 1. */
  doubts: Float64Array;
}

const known = new WeakMap<Dictionary, WeakMap<Observation, Weighed>>();

const doubtOf = (one: Likelihood) => one.mistaken / wholeOf(one);

/** What an observation says of hypotheses as if all of them lasted. */
function weigh(dictionary: Dictionary, observation: Observation): Weighed {
  const byObservation = known.get(dictionary) ?? new WeakMap<Observation, Weighed>();
  known.set(dictionary, byObservation);
  const found = byObservation.get(observation);
  if (found) return found;
  const likelihoods = dictionary.hypotheses.map((hypothesis, i) =>
    likelihood(observation, hypothesis, (state) => dictionary.predict(i, state), dictionary.circuit),
  );
  const made = {
    logs: Float64Array.from(likelihoods, (one) => Math.log(wholeOf(one))),
    doubts: Float64Array.from(likelihoods, doubtOf),
  };
  byObservation.set(observation, made);
  return made;
}

/** How often what comes and goes shows; judgement. */
const SHOWS = 0.5;

const NOTICED: ReadonlySet<Observation['type']> = new Set(['runs', 'air', 'face', 'screen']);

/** Observations that were made at one time: what is noticed of a call is noticed together. By their places in the list. */
function momentsOf(observations: readonly Observation[]): number[][] {
  const moments: number[][] = [];
  observations.forEach((one, i) => {
    const last = observations[i - 1];
    const isOfLast =
      last &&
      'state' in one &&
      'state' in last &&
      one.state === last.state &&
      NOTICED.has(one.type) &&
      NOTICED.has(last.type);
    if (isOfLast) moments[moments.length - 1]!.push(i);
    else moments.push([i]);
  });
  return moments;
}

/** Of what comes and goes, an observation is of the fault, or of the circuit without it, which stands first. */
function withComing(dictionary: Dictionary, observations: readonly Observation[], all: Weighed[]): Weighed[] {
  const coming = [...dictionary.hypotheses.keys()].filter((i) => comesAndGoes(dictionary.hypotheses[i]!));
  if (coming.length === 0) return all;
  const made = all.map(({ logs, doubts }) => ({ logs: logs.slice(), doubts: doubts.slice() }));
  for (const moment of momentsOf(observations).filter(([first]) => 'state' in observations[first!]!))
    for (const i of coming) {
      const sum = (hypothesis: number) => moment.reduce((log, at) => log + all[at]!.logs[hypothesis]!, 0);
      const [ofFault, ofSound] = [sum(i), sum(0)];
      const most = Math.max(ofFault, ofSound);
      const [there, away] = [SHOWS * Math.exp(ofFault - most), (1 - SHOWS) * Math.exp(ofSound - most)];
      moment.forEach((at, n) => {
        made[at]!.logs[i] = n === 0 ? most + Math.log(there + away) : 0;
        made[at]!.doubts[i] = (there * all[at]!.doubts[i]! + away * all[at]!.doubts[0]!) / (there + away);
      });
    }
  return made;
}

/** What each observation says of every hypothesis, as things stood when it was made. */
export const weighAll = (dictionary: Dictionary, observations: readonly Observation[]): Weighed[] =>
  withComing(
    dictionary,
    observations,
    observations.map((observation, i) => weigh(before(dictionary, observations, i), observation)),
  );
