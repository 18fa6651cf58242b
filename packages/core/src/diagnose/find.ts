/** Where a diagnosis stands: what is left, what to do next, how it came to that. */
import { findCable, findConductor, findDevice } from '../circuit';
import type { Whereabouts } from './costs';
import type { Diagnosis } from './document';
import type { Dictionary } from './dictionary';
import type { Failure, Remedy } from './hypotheses';
import { OPEN_OHMS, answeredBy, stepKey } from './next/answers';
import type { Advice } from './next/next';
import { adviser, nextSteps } from './next/next';
import type { Step } from './next/candidates';
import { candidatesOf } from './next/candidates';
import type { Observation } from './observation';
import type { Group, Ranking } from './rank';
import { DOUBTFUL, courseOf, doubtsOf, isSettled, rank } from './rank';
import { seenRunning } from './seen';
import type { Suspect } from './suspects';
import { suspectsOf } from './suspects';
import type { Bring } from './telephone';
import { telephoneSteps, whatToBring } from './telephone';

/** Some of what is left: what would be done about it, and the failures it would put right. */
export interface Left {
  remedy: Remedy;
  share: number;
  failures: readonly Failure[];
}

/** An answer to a step: what choosing it says was observed, and what it would mean. */
export interface Choice {
  value: number | string;
  share: number;
  /** The likeliest failures that would give it. */
  failures: readonly Failure[];
  observed: readonly Observation[];
}

export interface Proposal {
  step: Step;
  minutes: number;
  choices: readonly Choice[];
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
  /** While tied, the one step that would still tell the likeliest two apart; `null` where none does. */
  apart: Proposal | null;
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

/** How much is shown of what is left, of an answer's failures, of the answers. */
const SHOWN = 4;
const MEANT = 3;
const CHOICES = 5;
/** Less than this is not worth a line. */
const LEAST_SHOWN = 0.005;

/** Whether what was observed is still there to be observed. */
function isOf({ circuit, states, trials, network }: Dictionary, observation: Observation): boolean {
  if ('state' in observation)
    if (![...states.map(({ id }) => id), ...trials].includes(observation.state)) return false;
  if ('conductor' in observation) return findConductor(circuit, observation.conductor) !== undefined;
  if ('device' in observation) return findDevice(circuit, observation.device) !== undefined;
  if ('cable' in observation) return findCable(circuit, observation.cable) !== undefined;
  if (observation.type !== 'reading') return true;
  const { red, black } = observation.probes;
  return [red, black].every((node) => node === 'earth' || network.nodes.includes(node));
}

/** What is observed when a step gives an answer, as who gives it predicts. */
function observedBy(
  dictionary: Dictionary,
  step: Step,
  value: number | string,
  member: number,
): Observation[] {
  const found = value === '' ? null : String(value);
  switch (step.type) {
    case 'reading': {
      const { state, mode, red, black } = step;
      const probes = { mode, red, black, meter: 'high-z' } as const;
      return [{ type: 'reading', state, probes, value: value === OPEN_OHMS ? 'open' : Number(value) }];
    }
    case 'clamp':
      return [{ type: 'clamp', state: step.state, conductor: step.conductor, amps: Number(value) }];
    case 'face':
      return [{ type: 'face', state: step.state, device: step.device, text: String(value) }];
    case 'look':
      return [{ type: 'look', device: step.device, found }];
    case 'test':
      return [{ type: 'test', device: step.device, found }];
    case 'wires':
      return [{ type: 'wires', cable: step.cable.id, found }];
    case 'call':
    case 'jumper':
      return seenRunning(dictionary.circuit, step.state, dictionary.predict(member, step.state));
  }
}

/** The step that makes an observation once more. */
const stepOf = (dictionary: Dictionary, observation: Observation): Step | undefined =>
  candidatesOf(
    dictionary,
    dictionary.states.map(({ id }) => id),
  ).find((step) => stepKey(step) === answeredBy(observation));

/** The answer that what a look found is none of the others: it is always among them, and the last. */
function othersSeen({ hypotheses }: Dictionary, step: Step): Advice['answers'][number] | null {
  if (step.type !== 'look') return null;
  const member = hypotheses.findIndex(
    ({ failure }) => failure.type === 'otherwise' && failure.device === step.device,
  );
  return member < 0 ? null : { value: hypotheses[member]!.id, share: 0, members: [member] };
}

function proposalOf(
  dictionary: Dictionary,
  shares: Float64Array,
  { step, minutes, answers }: Advice,
): Proposal {
  const last = othersSeen(dictionary, step);
  const listed = answers.filter(({ value }) => value !== last?.value).slice(0, CHOICES);
  const other = answers.find(({ value }) => value === last?.value) ?? last;
  return {
    step,
    minutes,
    choices: [...listed, ...(other ? [other] : [])].map(({ value, share, members }) => {
      const likeliest = [...members].sort((one, other) => shares[other]! - shares[one]!);
      return {
        value,
        share,
        failures: likeliest.slice(0, MEANT).map((member) => dictionary.hypotheses[member]!.failure),
        observed: observedBy(dictionary, step, value, likeliest[0]!),
      };
    }),
  };
}

/** Bits below which a step does not even tell two things apart. */
const LEAST_APART = 0.01;

/** The step that would best tell the likeliest two apart, whatever its minutes. */
function tellingApart(
  dictionary: Dictionary,
  { shares, groups }: Ranking,
  at: Whereabouts,
  done: ReadonlySet<string>,
): Advice | null {
  const two = new Float64Array(shares.length);
  for (const { members } of groups.slice(0, 2)) for (const member of members) two[member] = shares[member]!;
  const { weigh, advise } = adviser(dictionary, { shares: two, groups }, at);
  const calls = dictionary.states.map(({ id }) => id);
  const [best] = candidatesOf(dictionary, calls)
    .filter((step) => !done.has(stepKey(step)))
    .map((step) => ({ step, ...weigh(step) }))
    .sort((one, other) => other.gain - one.gain);
  return best && best.gain >= LEAST_APART ? advise(best.step) : null;
}

/** What was observed of what is there to be observed. */
export const observationsOf = (dictionary: Dictionary, { observed }: Diagnosis): Observation[] =>
  observed.flatMap(({ observation }) => (isOf(dictionary, observation) ? [observation] : []));

/** Works out where a diagnosis stands. Observations of what is not there any more are named and left out. */
export function followDiagnosis(
  dictionary: Dictionary,
  { observed, whereabouts, telephone = false }: Diagnosis,
): FindView {
  const counted = observed.filter(({ observation }) => isOf(dictionary, observation));
  const observations = counted.map(({ observation }) => observation);
  const stale = observed.flatMap((one) => (counted.includes(one) ? [] : [one.id]));
  const ranking = rank(dictionary, observations);
  const shown = ranking.groups.slice(0, SHOWN).filter(({ share }) => share >= LEAST_SHOWN);
  const others = ranking.groups.slice(shown.length);
  const course = courseOf(dictionary, observations);
  const shareIn = (shares: Float64Array, { members }: Group) =>
    members.reduce((sum, member) => sum + shares[member]!, 0);
  const done = new Set(observations.map(answeredBy));
  const { advise } = adviser(dictionary, ranking, whereabouts);
  const proposed = (advice: Advice) => proposalOf(dictionary, ranking.shares, advice);
  const doubts = doubtsOf(dictionary, observations, ranking);
  const doubtful = counted.flatMap(({ id, observation }, i): Doubtful[] => {
    const step = doubts[i]! > DOUBTFUL && stepOf(dictionary, observation);
    return step ? [{ id, again: proposed(advise(step)) }] : [];
  });
  const settled = isSettled(ranking) ? ranking.groups[0]!.remedy : null;
  const most = done.size + SHOWN;
  const asked = telephone
    ? telephoneSteps(dictionary, ranking, whereabouts, most)
    : nextSteps(dictionary, ranking, whereabouts, { most });
  const steps = asked.filter(({ step }) => !done.has(stepKey(step))).slice(0, MEANT);
  const tied = settled === null && steps.length === 0;
  const apart = tied ? tellingApart(dictionary, ranking, whereabouts, done) : null;
  return {
    left: shown.map(({ remedy, share, members }) => ({
      remedy,
      share,
      failures: members.slice(0, MEANT).map((member) => dictionary.hypotheses[member]!.failure),
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
    apart: apart && proposed(apart),
    ...suspectsOf(dictionary, ranking, course[0]!),
    bring: telephone ? whatToBring(dictionary, ranking) : null,
  };
}
