/** Where a diagnosis stands: what is left, what to do next, how it came to that. */
import { findCable, findConductor, findDevice } from '../circuit';
import type { Whereabouts } from './costs';
import type { Diagnosis } from './document';
import type { Dictionary } from './dictionary';
import type { Failure, Remedy } from './hypotheses';
import { tellingApart } from './apart';
import { answeredBy, stepKey } from './next/answers';
import type { Advice } from './next/next';
import { adviser, nextSteps } from './next/next';
import type { Step } from './next/candidates';
import type { Observation } from './observation';
import type { Proposal } from './proposal';
import { failuresOf, proposalOf, stepOf } from './proposal';
import type { Group } from './rank';
import { DOUBTFUL, courseOf, doubtsOf, isSettled, rank } from './rank';
import { seenRunning } from './seen';
import type { Suspect } from './suspects';
import { suspectsOf } from './suspects';
import type { Bring } from './telephone';
import { telephoneSteps, whatToBring } from './telephone';
import { after } from './visited';

/** Some of what is left: what would be done about it, and the failures it would put right. */
export interface Left {
  remedy: Remedy;
  share: number;
  failures: readonly Failure[];
}

export interface FindView {
  left: readonly Left[];
  /** Remedies that are not shown, and their share. */
  others: { count: number; share: number };
  /** What is to be done, once it is sure enough; and what is wrong then. */
  settled: Remedy | null;
  wrong: Failure | null;
  steps: readonly Proposal[];
  /** For each of `left`, its share before anything and after each observation. */
  moved: readonly (readonly number[])[];
  /** Observations of what the circuit has no more, by id: they are kept, and count for nothing. */
  stale: readonly string[];
  /** What does not go with the rest and is to be made once more, with the step that does it. */
  doubtful: readonly Doubtful[];
  /** Nothing that is asked tells what is left apart: all of it has to be put right in turn. */
  tied: boolean;
  /** While tied, the steps that would still tell the likeliest apart, two by two, each once. */
  apart: readonly Proposal[];
  /** What is being tried, with what it would show. */
  trial: Proposal | null;
  /** What runs and comes out in this call once all is right: the test that proves a repair. */
  right: readonly Observation[];
  suspects: readonly Suspect[];
  /** Devices proven good. */
  cleared: readonly string[];
  /** What to bring, while the person is on the telephone. */
  bring: Bring | null;
}

export interface Doubtful {
  /** Of the observation. */
  id: string;
  again: Proposal;
}

/** How much is shown of what is left, and of what to do next. */
const SHOWN = 4;
const STEPS = 3;
/** Less than this is not worth a line. */
const LEAST_SHOWN = 0.005;

/** Whether what was observed is still there to be observed. */
function isOf({ circuit, states, trials, network }: Dictionary, observation: Observation): boolean {
  if ('state' in observation)
    if (![...states.map(({ id }) => id), ...trials].includes(observation.state)) return false;
  if ('conductor' in observation) return findConductor(circuit, observation.conductor) !== undefined;
  if ('device' in observation) return findDevice(circuit, observation.device) !== undefined;
  if (observation.type === 'sight') {
    const { type, id } = observation.target;
    return (type === 'device' ? findDevice(circuit, id) : findCable(circuit, id)) !== undefined;
  }
  if ('cable' in observation) return findCable(circuit, observation.cable) !== undefined;
  if (observation.type !== 'reading') return true;
  const { red, black } = observation.probes;
  return [red, black].every((node) => node === 'earth' || network.nodes.includes(node));
}

/** What was observed of what is there to be observed. */
export const observationsOf = (dictionary: Dictionary, { observed }: Diagnosis): Observation[] =>
  observed.flatMap(({ observation }) => (isOf(dictionary, observation) ? [observation] : []));

/** To see what runs while something is tried; `null` where that cannot be. */
const trialOf = (
  { states, trials }: Dictionary,
  trying: string | undefined,
  { station }: Whereabouts,
): Step | null =>
  trying !== undefined && [...states.map(({ id }) => id), ...trials].includes(trying)
    ? { type: 'call', station, state: trying }
    : null;

/** Works out where a diagnosis stands. Observations of what is not there any more are named and left out. */
export function followDiagnosis(
  asRecorded: Dictionary,
  { observed, whereabouts, trying, telephone = false }: Diagnosis,
): FindView {
  const counted = observed.filter(({ observation }) => isOf(asRecorded, observation));
  const observations = counted.map(({ observation }) => observation);
  const dictionary = after(asRecorded, observations);
  const stale = observed.flatMap((one) => (counted.includes(one) ? [] : [one.id]));
  const ranking = rank(asRecorded, observations);
  const shown = ranking.groups.slice(0, SHOWN).filter(({ share }) => share >= LEAST_SHOWN);
  const others = ranking.groups.slice(shown.length);
  const course = courseOf(asRecorded, observations);
  const shareIn = (shares: Float64Array, { members }: Group) =>
    members.reduce((sum, member) => sum + shares[member]!, 0);
  const done = new Set(observations.map(answeredBy));
  const { advise } = adviser(dictionary, ranking, whereabouts);
  const proposed = (advice: Advice) => proposalOf(dictionary, ranking.shares, advice);
  const doubts = doubtsOf(asRecorded, observations, ranking);
  const doubtful = counted.flatMap(({ id, observation }, i): Doubtful[] => {
    const step = doubts[i]! > DOUBTFUL && stepOf(dictionary, observation);
    return step ? [{ id, again: proposed(advise(step)) }] : [];
  });
  const settled = isSettled(ranking) ? ranking.groups[0]!.remedy : null;
  const most = done.size + SHOWN;
  const asked = telephone
    ? telephoneSteps(dictionary, ranking, whereabouts, most)
    : nextSteps(dictionary, ranking, whereabouts, { most });
  const steps = asked.filter(({ step }) => !done.has(stepKey(step))).slice(0, STEPS);
  const tied = settled === null && steps.length === 0;
  const apart = tied ? tellingApart(dictionary, ranking, whereabouts, done) : [];
  const complained =
    observations.flatMap((one) => ('state' in one ? [one.state] : []))[0] ?? whereabouts.state;
  const trial = trialOf(dictionary, trying, whereabouts);
  return {
    left: shown.map(({ remedy, share, members }) => ({
      remedy,
      share,
      failures: failuresOf(dictionary, members),
    })),
    others: {
      count: others.filter(({ share }) => share >= LEAST_SHOWN / 100).length,
      share: others.reduce((sum, { share }) => sum + share, 0),
    },
    settled,
    wrong: settled ? dictionary.hypotheses[ranking.groups[0]!.members[0]!]!.failure : null,
    steps: steps.map(proposed),
    moved: shown.map((group) => course.map((shares) => shareIn(shares, group))),
    stale,
    doubtful,
    tied,
    apart: apart.map(proposed),
    trial: trial && !done.has(stepKey(trial)) ? proposed(advise(trial)) : null,
    right: seenRunning(dictionary.circuit, complained, dictionary.predict(0, complained)),
    ...suspectsOf(dictionary, ranking, course[0]!),
    bring: telephone ? whatToBring(dictionary, ranking) : null,
  };
}
