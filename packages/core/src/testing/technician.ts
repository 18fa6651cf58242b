/** A person who starts from what the customer says and does what the advice asks for, on a circuit with a hidden fault. */
import { kindOf } from '../devices';
import type { Advice, Complaint, Dictionary, Observation, Ranking, Site, Whereabouts } from '../diagnose';
import {
  DOUBTFUL,
  adviser,
  after,
  afterStep,
  answeredBy,
  doubtsOf,
  isSettled,
  nextSteps,
  pairsThatFit,
  rank,
  stepKey,
  withPairs,
} from '../diagnose';

export interface Outcome {
  ranking: Ranking;
  steps: readonly Advice[];
  minutes: number;
}

/** Beyond so many steps a person goes home. */
const MOST_STEPS = 25;

/** How the next step is chosen: by what is advised, or as a person does without. */
export type Policy = (
  dictionary: Dictionary,
  ranking: Ranking,
  at: Whereabouts,
  isDone: (advice: Advice) => boolean,
) => Advice | undefined;

const asAdvised: Policy = (dictionary, ranking, at, isDone) =>
  nextSteps(dictionary, ranking, at, { most: MOST_STEPS + 1 }).find((advice) => !isDone(advice));

/** What was observed by a step that was done; what was told at the beginning has none. */
interface Made {
  step: Advice | null;
  observation: Observation;
  /** It was made a second time already. */
  again: boolean;
}

/**
 * Does one step after another, until it is sure enough or nothing more would tell.
 *
 * @param station - where the person is at first: at the thermostat, unless told otherwise.
 */
export function followAdvice(
  singles: Dictionary,
  site: Pick<Site, 'observe'>,
  { state, seen }: Complaint,
  choose: Policy = asAdvised,
  station: string = singles.circuit.devices.find(({ kind }) => kindOf(kind).asks)!.station,
): Outcome {
  let dictionary = singles;
  let at: Whereabouts = { station, open: [], state };
  let made: Made[] = seen.map((observation) => ({ step: null, observation, again: false }));
  const steps: Advice[] = [];
  const rankNow = () =>
    rank(
      dictionary,
      made.map(({ observation }) => observation),
    );
  const doIt = (advice: Advice, again: boolean) => {
    steps.push(advice);
    at = afterStep(at, advice.step);
    for (const observation of site.observe(advice.step)) made.push({ step: advice, observation, again });
  };
  const widen = () => {
    const observations = made.map(({ observation }) => observation);
    dictionary = withPairs(singles, pairsThatFit(singles, observations));
  };
  let ranking = rankNow();
  while (steps.length < MOST_STEPS) {
    const doubts = doubtsOf(
      dictionary,
      made.map(({ observation }) => observation),
      ranking,
    );
    const odd = made.find(({ step, again }, i) => doubts[i]! > DOUBTFUL && step !== null && !again);
    if (odd && choose === asAdvised) {
      made = made.filter(({ step }) => step !== odd.step);
      doIt({ ...odd.step!, ...adviser(dictionary, ranking, at).weigh(odd.step!.step) }, true);
    } else if (doubts.some((doubt) => doubt > DOUBTFUL) && dictionary === singles && choose === asAdvised)
      widen();
    else {
      if (isSettled(ranking)) break;
      const done = new Set(made.map(({ observation }) => answeredBy(observation)));
      const now = after(
        dictionary,
        made.map(({ observation }) => observation),
      );
      const advice = choose(now, ranking, at, ({ step }) => done.has(stepKey(step)));
      if (advice) doIt(advice, false);
      else if (dictionary === singles && choose === asAdvised) widen();
      else break;
    }
    ranking = rankNow();
  }
  return { ranking, steps, minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0) };
}
