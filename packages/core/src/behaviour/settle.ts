/** From switches, safeties and calls to a steady state, contact by contact. */
import type { Conditions, Moment, Senses, State, Value } from '../devices';
import type { Choice, Installed, Network, Point, Solver } from '../network';
import { ampsThrough, makeSolver, restingChoice, solve, voltsBetween } from '../network';
import { momentOf } from './moment';

/** How everything that can be set by hand is set, and the air around it. */
export interface Inputs {
  /** By device id; controls left out take the kind's defaults. */
  controls: Readonly<Record<string, Readonly<Record<string, Value>>>>;
  conditions: Conditions;
}

/** The memory of every device at one time, plain data. */
export interface World {
  /** Seconds since the bench was opened. */
  now: number;
  states: Readonly<Record<string, State>>;
}

/** Devices that never come to rest, and the states they swing between. */
export interface Chattering {
  devices: readonly string[];
  between: readonly Readonly<Record<string, State>>[];
}

export interface Settled {
  world: World;
  point: Point;
  chattering: Chattering | null;
}

export const NEW_WORLD: World = { now: 0, states: {} };

/** Iterations after which a circuit that has not repeated itself is taken as chattering. */
const MOST_STEPS = 200;

const same = (one: State, other: State) =>
  one === other || Object.keys(one).every((key) => one[key] === other[key]);

/** A device with what does not change while a circuit settles. */
interface Actor {
  installed: Installed;
  id: string;
  moment: Moment;
  /** Branches with positions to choose, with the index of each position. */
  movable: readonly { branch: number; element: string; positions: readonly string[] }[];
}

function actorsOf(network: Network, inputs: Inputs, now: number): Actor[] {
  return network.devices.map((installed) => ({
    installed,
    id: installed.device.id,
    moment: momentOf(installed, inputs, now),
    movable: [...installed.branches].flatMap(([element, branch]) => {
      const { positions } = network.branches[branch]!;
      return positions.length > 1 ? [{ branch, element, positions }] : [];
    }),
  }));
}

function choose(network: Network, actors: readonly Actor[], states: readonly State[]): Choice {
  const choice = restingChoice(network);
  actors.forEach(({ installed, moment, movable }, i) => {
    if (movable.length === 0) return;
    const positions = installed.kind.positions(states[i]!, moment);
    for (const { branch, element, positions: names } of movable)
      choice[branch] = names.indexOf(positions[element]!);
  });
  return choice;
}

function sensesOf(point: Point, { installed, id }: Actor): Senses {
  const name = (local: string) => (local.startsWith('#') ? `${id}${local}` : `${id}.${local}`);
  return {
    volts: (a, b) => voltsBetween(point, name(a), name(b)),
    amps: (element) => ampsThrough(point, installed.branches.get(element)!),
  };
}

/**
 * Settles a network at one instant: devices answer the voltages, the voltages answer
 * the devices, until nothing changes. All devices move together, as relays do; when that
 * repeats itself they are tried one after another before the circuit is called
 * chattering, so that a mere tie between two relays is not.
 */
export function settle(
  network: Network,
  inputs: Inputs,
  world: World = NEW_WORLD,
  solver: Solver = makeSolver(network),
): Settled {
  const actors = actorsOf(network, inputs, world.now);
  let states: State[] = actors.map(({ id, installed }) => ({
    ...installed.kind.initial,
    ...world.states[id],
  }));
  const answer = (point: Point) =>
    actors.map((actor, i) => actor.installed.kind.next(states[i]!, sensesOf(point, actor), actor.moment));
  const asRecord = (list: readonly State[]) => Object.fromEntries(actors.map(({ id }, i) => [id, list[i]!]));
  const finish = (point: Point, chattering: Chattering | null): Settled => ({
    world: { now: world.now, states: asRecord(states) },
    point,
    chattering,
  });
  let seen = new Map<string, number>();
  let visited: (readonly State[])[] = [];
  let together = true;
  for (;;) {
    const point = solve(solver, choose(network, actors, states));
    const next = answer(point);
    const moved = next.flatMap((state, i) => (same(states[i]!, state) ? [] : [i]));
    if (moved.length === 0) return finish(point, null);
    const key = JSON.stringify(states);
    const first = seen.get(key);
    if (first !== undefined || visited.length >= MOST_STEPS) {
      if (!together) {
        const cycle = visited.slice(first ?? -2);
        const restless = actors.flatMap(({ id }, i) =>
          cycle.every((entry) => same(entry[i]!, cycle[0]![i]!)) ? [] : [id],
        );
        return finish(point, { devices: restless, between: cycle.map(asRecord) });
      }
      together = false;
      seen = new Map();
      visited = [];
    }
    seen.set(key, visited.length);
    visited.push(states);
    const movers = together ? moved : moved.slice(0, 1);
    states = states.map((state, i) => (movers.includes(i) ? next[i]! : state));
  }
}

/**
 * A world kept from another time, reduced to what this network's devices understand: states
 * of devices that are gone, and fields of another type or name, are dropped.
 */
export function restoreWorld(network: Network, kept: World): World {
  const states: Record<string, State> = {};
  for (const { device, kind } of network.devices) {
    const old = kept.states[device.id] ?? {};
    states[device.id] = Object.fromEntries(
      Object.entries(kind.initial).map(([name, fresh]) => [
        name,
        fits(old[name], fresh) ? old[name]! : fresh,
      ]),
    );
  }
  return { now: kept.now, states };
}

const fits = (value: State[string] | undefined, fresh: State[string]) =>
  fresh === null
    ? value === null || typeof value === 'number'
    : value === null || typeof value === typeof fresh;
