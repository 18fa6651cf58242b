/** A person who starts from what the customer says and does what the advice asks for, on a circuit with a hidden fault. */
import { kindOf } from '../devices';
import type { Advice, Dictionary, Observation, Ranking, Whereabouts } from '../diagnose';
import { afterStep, isSettled, nextSteps, rank, remedyKey, seenRunning } from '../diagnose';
import { measure } from '../network';

/** How readings and looks go wrong; without it they are what they should be. */
export interface Noise {
  /** Uniform in [0, 1). */
  random(): number;
  /** Spread of a reading, share and V; and how often it is plainly wrong. */
  share: number;
  volts: number;
  misread: number;
}

export const NO_NOISE: Noise = { random: () => 0.5, share: 0, volts: 0, misread: 0 };

/** What a customer complains of: the first call that does not do what it should; `null` when none shows anything. */
export function complaintOf(dictionary: Dictionary, truth: number) {
  const stats = dictionary.circuit.devices.filter(({ kind }) => kindOf(kind).asks);
  const told = (hypothesis: number, state: string): Observation[] => [
    ...seenRunning(dictionary.circuit, state, dictionary.predict(hypothesis, state)),
    ...stats.map(({ id }): Observation => ({
      type: 'face',
      state,
      device: id,
      text: dictionary.predict(hypothesis, state).faces.get(id) ?? '',
    })),
  ];
  for (const { id: state } of [...dictionary.states].reverse()) {
    const seen = told(truth, state);
    if (JSON.stringify(seen) !== JSON.stringify(told(0, state))) return { state, seen };
  }
  return null;
}

function noisy(volts: number, { random, share, volts: floor, misread }: Noise): number {
  if (random() < misread) return 150 * random();
  // A normal deviate by Box and Muller.
  const deviate = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Math.max(0, volts + deviate * Math.hypot(share * volts, floor));
}

/** What is observed when a step is done. */
export function answerTo(
  dictionary: Dictionary,
  truth: number,
  { step, answers }: Advice,
  noise: Noise,
): Observation[] {
  const found = () => String(answers.find(({ members }) => members.includes(truth))?.value ?? '') || null;
  switch (step.type) {
    case 'reading': {
      const { state, red, black } = step;
      const probes = { mode: 'ac-volts', red, black, meter: 'high-z' } as const;
      const reading = measure(dictionary.predict(truth, state).point, probes);
      return reading.ok ? [{ type: 'reading', state, probes, value: noisy(reading.value, noise) }] : [];
    }
    case 'face': {
      const { state, device } = step;
      return [
        { type: 'face', state, device, text: dictionary.predict(truth, state).faces.get(device) ?? '' },
      ];
    }
    case 'call':
      return seenRunning(dictionary.circuit, step.state, dictionary.predict(truth, step.state));
    case 'look':
      return [{ type: 'look', device: step.device, found: found() }];
    case 'test':
      return [{ type: 'test', device: step.device, found: found() }];
    case 'wires':
      return [{ type: 'wires', cable: step.cable.id, found: found() }];
  }
}

export interface Outcome {
  ranking: Ranking;
  steps: readonly Advice[];
  minutes: number;
  /** What is most likely is what is wrong, or is put right by the same work. */
  isolated: boolean;
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

/** Does one step after another, until it is sure enough or nothing more would tell. */
export function followAdvice(
  dictionary: Dictionary,
  truth: number,
  { state, seen }: { state: string; seen: readonly Observation[] },
  noise: Noise = NO_NOISE,
  choose: Policy = asAdvised,
): Outcome {
  const { circuit, hypotheses } = dictionary;
  let at: Whereabouts = {
    station: circuit.devices.find(({ kind }) => kindOf(kind).asks)!.station,
    open: [],
    state,
  };
  let observations = seen;
  const steps: Advice[] = [];
  const done = new Set<string>();
  let ranking = rank(dictionary, observations);
  while (!isSettled(ranking) && steps.length < MOST_STEPS) {
    const advice = choose(dictionary, ranking, at, ({ step }) => done.has(JSON.stringify(step)));
    if (!advice) break;
    const { step } = advice;
    done.add(JSON.stringify(step));
    steps.push(advice);
    at = afterStep(at, step);
    observations = [...observations, ...answerTo(dictionary, truth, advice, noise)];
    ranking = rank(dictionary, observations);
  }
  const best = ranking.groups[0]!;
  return {
    ranking,
    steps,
    minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0),
    isolated: remedyKey(best.remedy) === remedyKey(hypotheses[truth]!.remedy),
  };
}
