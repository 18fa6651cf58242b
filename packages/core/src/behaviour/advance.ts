import type { Network, Solver } from '../network';
import { makeSolver } from '../network';
import type { Inputs } from './inputs';
import { actorsOf } from './actors';
import type { DeviceWait, Watch } from './round';
import { Round, toCome, waitsAt } from './round';
import { settle } from './settle';
import type { Settled, World } from './world';

/** Events in one call of `advance` beyond which time is not moved further. */
const MOST_EVENTS = 10_000;

/** Everything that will happen by itself, soonest first. */
export function waitsOf(network: Network, inputs: Inputs, world: World): DeviceWait[] {
  const waits = actorsOf(network, inputs).flatMap((actor) => {
    const state = world.states[actor.id];
    return state ? waitsAt(actor, state, world.now) : [];
  });
  return toCome(waits, world.now);
}

/** When to settle next, from how it stands and what is being waited for; `null` to stop. */
type NextInstant = (settled: Settled, waits: readonly DeviceWait[]) => number | null;

/** Settles now, then at every instant asked for. */
function pass(
  network: Network,
  inputs: Inputs,
  world: World,
  solver: Solver,
  next: NextInstant,
  watch?: Watch,
): Settled {
  const round = new Round(network, actorsOf(network, inputs), world, solver, watch);
  let settled = round.settle();
  for (let events = 0; events < MOST_EVENTS; events++) {
    watch?.rests?.(settled);
    const now = next(settled, round.waits());
    if (now === null) return settled;
    round.moveTo(now);
    settled = round.settle();
  }
  return settled;
}

/**
 * Lets time pass: settles now, then at every instant a device has been waiting for, up
 * to `seconds` from now.
 */
export function advance(
  network: Network,
  inputs: Inputs,
  world: World,
  seconds: number,
  solver: Solver = makeSolver(network),
  watch?: Watch,
): Settled {
  const end = world.now + seconds;
  const next: NextInstant = ({ world: { now } }, [soonest]) =>
    now >= end ? null : Math.min(soonest?.until ?? Infinity, end);
  return pass(network, inputs, world, solver, next, watch);
}

/** Lets time pass until nobody is kept waiting any more, and at most `longest` seconds. */
export function untilSteady(
  network: Network,
  inputs: Inputs,
  world: World,
  longest: number,
  solver: Solver = makeSolver(network),
  watch?: Watch,
): Settled {
  const end = world.now + longest;
  const next: NextInstant = (_settled, waits) =>
    waits.every(({ quiet }) => quiet) || waits[0]!.until > end ? null : waits[0]!.until;
  return pass(network, inputs, world, solver, next, watch);
}

/** Lets time pass, from one event to the next, until something is so; at most `longest` seconds. */
export function advanceUntil(
  network: Network,
  inputs: Inputs,
  world: World,
  isSo: (world: World) => boolean,
  longest: number,
  solver: Solver = makeSolver(network),
): Settled {
  const end = world.now + longest;
  return pass(network, inputs, world, solver, (settled, [soonest]) =>
    isSo(settled.world) || !soonest || soonest.until > end ? null : soonest.until,
  );
}

/** Skips ahead to the next thing that happens by itself; stays put when nothing is pending. */
export function skipAhead(
  network: Network,
  inputs: Inputs,
  world: World,
  solver: Solver = makeSolver(network),
): Settled {
  const settled = settle(network, inputs, world, solver);
  const soonest = waitsOf(network, inputs, settled.world)[0];
  return soonest
    ? advance(network, inputs, settled.world, soonest.until - settled.world.now, solver)
    : settled;
}
