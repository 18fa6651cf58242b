/** Where a plan stands. */
import type { Circuit, Station } from '../circuit';
import { partway } from './apply';
import type { Plan } from './document';
import type { Ticked } from './list-event';
import { stepsOf } from './steps';
import type { Shut } from './ticks';
import { isOpenAt, isReady, ticksOf } from './ticks';
import type { Stop } from './walk';
import { walk } from './walk';

/** What of a plan its steps follow from. */
export type Followed = Pick<Plan, 'before' | 'after' | 'reasons' | 'events'>;

export interface PlanView {
  stops: readonly Stop[];
  /** Steps whose turn it is or was, and places whose power is off. */
  ready: readonly string[];
  open: readonly string[];
  /** The tick that counts, by step. */
  done: Readonly<Record<string, Ticked>>;
  /** Why the gate has to be passed anew, where it was passed before. */
  shut: Shut | null;
  circuit: Circuit;
  /** Every place of the plan, those that are new with it too. */
  stations: readonly Station[];
}

/**
 * A plan as stops in walking order, what stands of what was done, and the circuit that makes.
 *
 * @param now - ISO time.
 */
export function followPlan({ before, after, reasons, events }: Followed, now: string): PlanView {
  const steps = stepsOf(before, after, reasons);
  const stations = [
    ...before.stations,
    ...after.stations.filter(({ id }) => !before.stations.some((one) => one.id === id)),
  ];
  const { standing, shut } = ticksOf(steps, events, now);
  return {
    stops: walk({ ...before, stations }, steps),
    done: Object.fromEntries(standing),
    shut,
    ready: steps.flatMap((step) => (isReady(steps, standing, step) ? [step.id] : [])),
    open: stations.flatMap(({ id }) => (isOpenAt(steps, standing, id) ? [id] : [])),
    circuit: partway(before, after, new Set(standing.keys())),
    stations,
  };
}
