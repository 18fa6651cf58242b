/** Where a plan stands. */
import type { Circuit, Station } from '../circuit';
import { partway } from './apply';
import { stepsOf } from './steps';
import { isOpenAt, isReady, standing } from './ticks';
import type { Stop } from './walk';
import { walk } from './walk';

export interface PlanView {
  stops: readonly Stop[];
  /** Steps whose turn it is or was, and places whose power is off. */
  ready: readonly string[];
  open: readonly string[];
  done: readonly string[];
  circuit: Circuit;
  /** Every place of the plan, those that are new with it too. */
  stations: readonly Station[];
}

/**
 * A plan as stops in walking order, what stands of the ticks wanted after those there were, and the circuit that
 * makes.
 */
export function followPlan(
  { before, after, reasons }: { before: Circuit; after: Circuit; reasons: Readonly<Record<string, string>> },
  wanted: readonly string[],
  was: readonly string[] = wanted,
): PlanView {
  const steps = stepsOf(before, after, reasons);
  const stations = [
    ...before.stations,
    ...after.stations.filter(({ id }) => !before.stations.some((one) => one.id === id)),
  ];
  const stand = standing(steps, new Set(wanted), new Set(was));
  return {
    stops: walk({ ...before, stations }, steps),
    done: [...stand],
    ready: steps.flatMap((step) => (isReady(steps, stand, step) ? [step.id] : [])),
    open: stations.flatMap(({ id }) => (isOpenAt(steps, stand, id) ? [id] : [])),
    circuit: partway(before, after, stand),
    stations,
  };
}
