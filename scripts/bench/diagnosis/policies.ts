/** How a person looks for a fault without advice: half-splitting the way of the dead load, and the usual order of checks. */
import type { Advice, Dictionary, Step } from '@zygostat/core/diagnose';
import { adviser, checkFor, nextSteps } from '@zygostat/core/diagnose';
import { loadPath } from '@zygostat/core/network';
import { candidatesOf } from '../../../packages/core/src/diagnose/next/candidates';
import type { Policy } from '../../../packages/core/src/testing/technician';

const sameState = (step: Step, state: string) => !('state' in step) || step.state === state;

/** Readings on the way of a load's current when all is well, hot to common, in the state everything is set to. */
function onTheWay(dictionary: Dictionary, state: string, steps: readonly Step[], load: number): Step[] {
  const { network } = dictionary;
  const way = loadPath(network, dictionary.predict(0, dictionary.states[0]!.id).point.choice, load);
  if (!way) return [];
  const names = [way.hot, ...way.steps.map(({ to }) => to)].map((node) => network.nodes[node] ?? '');
  return names.flatMap((name) => {
    const reading = steps.find(
      (step) => step.type === 'reading' && step.red === name && sameState(step, state),
    );
    return reading ? [reading] : [];
  });
}

/** Coils and valves on the control side that the state calls for and that the likeliest faults leave dead. */
function deadLoad({ network, predict }: Dictionary, state: string) {
  const { runs } = predict(0, state);
  const found = network.devices.flatMap(({ device, kind, context, branches }) =>
    kind
      .loads(context)
      .filter(
        ({ id, nature }) => ['coil', 'valve', 'flame'].includes(nature) && runs.has(`${device.id}/${id}`),
      )
      .map(({ element }) => branches.get(element)!),
  );
  return found[0];
}

/** What would show the likeliest is looked at by everybody, however they came to it. */
const confirmed =
  (policy: Policy): Policy =>
  (dictionary, ranking, at, isDone) => {
    const [check] = checkFor(ranking) ? nextSteps(dictionary, ranking, at, { most: 1 }) : [];
    return check && !isDone(check) ? check : policy(dictionary, ranking, at, isDone);
  };

/** Halves what is left of the way to the dead load, then looks at everything near it. */
export const halfSplitting = confirmed((dictionary, ranking, at, isDone) => {
  const steps = candidatesOf(dictionary, [at.state]).filter((step) => sameState(step, at.state));
  const { advise: weigh } = adviser(dictionary, ranking, at);
  const load = deadLoad(dictionary, at.state);
  const way = load === undefined ? [] : onTheWay(dictionary, at.state, steps, load);
  const open = way.map(weigh).filter((advice) => !isDone(advice));
  // What is still undecided lies between readings that could come out either way.
  const undecided = open.filter(({ answers }) => answers.length > 1 && answers[1]!.share > 0.02);
  const middle = undecided[Math.floor(undecided.length / 2)];
  return middle ?? inOrder(steps, weigh, isDone);
});

/** Trade practice: what shows by itself, then volts at the unit, at the thermostat, at the loads, then every landing. */
const ORDER: readonly ((step: Step) => boolean)[] = [
  (step) => step.type === 'face',
  (step) => step.type === 'reading' && /\.(R|RC|RH|T1)$/.test(step.red),
  (step) => step.type === 'reading' && !step.line,
  (step) => step.type === 'look',
  (step) => step.type === 'reading',
  (step) => step.type === 'test',
];

function inOrder(
  steps: readonly Step[],
  weigh: (step: Step) => Advice,
  isDone: (advice: Advice) => boolean,
): Advice | undefined {
  for (const isNext of ORDER)
    for (const step of steps) {
      if (!isNext(step)) continue;
      const advice = weigh(step);
      if (!isDone(advice) && advice.answers.length > 1) return advice;
    }
  return undefined;
}

/** The usual order of checks, in the state of the complaint. */
export const usualOrder = confirmed((dictionary, ranking, at, isDone) =>
  inOrder(
    candidatesOf(dictionary, [at.state]).filter((step) => sameState(step, at.state)),
    adviser(dictionary, ranking, at).advise,
    isDone,
  ),
);
