/** From switches, safeties and calls to a steady state, contact by contact. */
import type { Channel, Moment, Senses, Signal, State } from '../devices';
import type { Choice, Installed, Network, OperatingPoint, Solver } from '../network';
import { ampsThrough, directOf, makeSolver, restingChoice, solveHeld, solveKnown, voltsOf } from '../network';
import type { Inputs } from './inputs';
import { momentOf } from './moment';

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
  point: OperatingPoint;
  chattering: Chattering | null;
}

export const NEW_WORLD: World = { now: 0, states: {} };

/** Iterations after which a circuit that has not repeated itself is taken as chattering. */
const MOST_STEPS = 200;

/** Whether a device stands as before. */
export function isSameState(one: State, other: State): boolean {
  if (one === other) return true;
  for (const key in one) if (one[key] !== other[key]) return false;
  return true;
}

/** A device with what does not change while inputs stay as they are. */
export interface Actor {
  installed: Installed;
  id: string;
  /** What it is told; the time is set anew for every instant. */
  moment: Moment;
  /** Branches with positions to choose, with the index of each position. */
  movable: readonly { branch: number; element: string; positions: readonly string[] }[];
  /** Node index by local name, found once. */
  nodes: Map<string, number>;
}

/** The devices of a network under unchanged inputs; made once for a stretch of time. */
export type Actors = readonly Actor[];

/** What of the actors is the same whatever the inputs and whatever is held, by the devices of a network. */
const parts = new WeakMap<Network['devices'], readonly Omit<Actor, 'moment'>[]>();

function partsOf(network: Network): readonly Omit<Actor, 'moment'>[] {
  const known = parts.get(network.devices);
  if (known) return known;
  const made = network.devices.map((installed) => ({
    installed,
    id: installed.device.id,
    movable: [...installed.branches].flatMap(([element, branch]) => {
      const { positions, natural } = network.branches[branch]!;
      return natural > 1 ? [{ branch, element, positions }] : [];
    }),
    nodes: new Map<string, number>(),
  }));
  parts.set(network.devices, made);
  return made;
}

/** Actors by what they were made of: a dictionary puts many faults of one network through the same inputs. */
const prepared = new WeakMap<Inputs, WeakMap<Network['devices'], Actors>>();

/** The devices of a network under inputs; their moments are told the time anew by whoever uses them. */
export function actorsOf(network: Network, inputs: Inputs): Actors {
  const byDevices = prepared.get(inputs) ?? new WeakMap<Network['devices'], Actors>();
  prepared.set(inputs, byDevices);
  const known = byDevices.get(network.devices);
  if (known) return known;
  const made = partsOf(network).map((part) => ({ ...part, moment: momentOf(part.installed, inputs, 0) }));
  byDevices.set(network.devices, made);
  return made;
}

function choose(
  network: Network,
  actors: Actors,
  moments: readonly Moment[],
  states: readonly State[],
): Choice {
  const choice = restingChoice(network);
  actors.forEach(({ installed, movable }, i) => {
    if (movable.length === 0) return;
    const positions = installed.kind.positions(states[i]!, moments[i]!);
    for (const { branch, element, positions: names } of movable)
      choice[branch] = names.indexOf(positions[element]!);
  });
  return choice;
}

/** Something a device answered to: volts between two nodes (−1 is earth), or amperes through a branch. */
export type Felt =
  | { quantity: 'volts'; red: number; black: number; value: number }
  | { quantity: 'amps' | 'direct-amps'; branch: number; value: number };

/** One step of settling: where it was, and what each device answered to what it felt. In the order of the actors. */
export interface Visit {
  now: number;
  choice: Choice;
  states: readonly State[];
  answers: readonly State[];
  felt: readonly (readonly Felt[])[];
  /** Of several that would open on overload only the quickest was let: how it went on hangs on how quick they are. */
  raced: boolean;
}

/** Told what a circuit goes through while it settles: the moment a coil pulls in is one of its points. */
export interface Watch {
  passes?(point: OperatingPoint): void;
  /** Told where it comes to rest at each instant, on its way through time. */
  rests?(settled: Settled): void;
  visits?(visit: Visit): void;
}

const NOTHING: readonly Signal[] = [];

/** What every device gives on the channels, as they all stand: worked out once, and not before somebody listens. */
function heardFrom(actors: Actors, states: readonly State[], now: number): Senses['hears'] {
  let all: Map<string, Signal[]> | null = null;
  const collect = () => {
    const given = new Map<string, Signal[]>();
    actors.forEach(({ installed: { kind }, moment }, i) => {
      if (!kind.gives) return;
      for (const [channel, signal] of Object.entries(
        kind.gives(states[i]!, Object.assign(moment, { now })),
      )) {
        const known = given.get(channel);
        if (known) known.push(signal);
        else given.set(channel, [signal]);
      }
    });
    return given;
  };
  return (channel) => (all ??= collect()).get(channel) ?? NOTHING;
}

/** What a device feels of whichever point is being looked at, noted where wanted. */
function sensesOf(
  { installed, id, nodes }: Actor,
  network: Network,
  looked: () => OperatingPoint,
  hears: Senses['hears'],
  note?: (felt: Felt) => void,
): Senses {
  const nodeOf = (local: string) => {
    const known = nodes.get(local);
    if (known !== undefined) return known;
    const node = network.indexOf(local.startsWith('#') ? `${id}${local}` : `${id}.${local}`);
    nodes.set(local, node);
    return node;
  };
  return {
    volts: (a, b) => {
      const [red, black] = [nodeOf(a), nodeOf(b)];
      const value = voltsOf(looked(), red, black);
      note?.({ quantity: 'volts', red, black, value });
      return value;
    },
    amps: (element) => {
      const branch = installed.branches.get(element)!;
      const value = ampsThrough(looked(), branch);
      note?.({ quantity: 'amps', branch, value });
      return value;
    },
    directAmps: (element) => {
      const branch = installed.branches.get(element)!;
      const value = ampsThrough(directOf(looked()), branch);
      note?.({ quantity: 'direct-amps', branch, value });
      return value;
    },
    hears,
  };
}

/** What one device of a network would answer at a point of it, the others standing as they do. */
export function answerAt(
  network: Network,
  actors: Actors,
  i: number,
  point: OperatingPoint,
  { states, now }: Pick<Visit, 'states' | 'now'>,
): State {
  const { installed, moment } = actors[i]!;
  const senses = sensesOf(actors[i]!, network, () => point, heardFrom(actors, states, now));
  return installed.kind.next(states[i]!, senses, Object.assign(moment, { now }));
}

/**
 * Of devices that would open on overload at the same instant only the quickest does: what it lets through
 * is the least, and once it is open the others carry nothing (a 3 A fuse before a 5 A one on a dead short).
 */
function quickestFirst(
  actors: Actors,
  states: readonly State[],
  next: readonly State[],
  senses: readonly Senses[],
  moments: readonly Moment[],
): readonly State[] {
  const opening = actors.flatMap(({ installed: { kind, branches } }, i) => {
    const { protects } = kind;
    if (!protects || !branches.has(protects.element) || states[i]!.open === next[i]!.open) return [];
    if (next[i]!.open !== true) return [];
    return [{ i, seconds: protects.opensIn(senses[i]!.amps(protects.element), moments[i]!.params) }];
  });
  if (opening.length < 2) return next;
  const first = Math.min(...opening.map(({ seconds }) => seconds));
  const held = new Set(opening.flatMap(({ i, seconds }) => (seconds > first ? [i] : [])));
  return held.size === 0 ? next : next.map((state, i) => (held.has(i) ? states[i]! : state));
}

/** Steps before a circuit is suspected of going round: nearly all are at rest by then. */
const SUSPECT_STEPS = 12;

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
  return settleActors(network, actorsOf(network, inputs), world, solver);
}

/** Settles with the devices already prepared for their inputs; tells them the time. */
export function settleActors(
  network: Network,
  actors: Actors,
  world: World,
  solver: Solver,
  watch?: Watch,
): Settled {
  const moments = actors.map(({ moment }) => Object.assign(moment, { now: world.now }));
  let point: OperatingPoint;
  let felt: Felt[][] = [];
  const noting = watch?.visits !== undefined;
  let states: State[] = actors.map(({ id, installed }) => ({
    ...installed.kind.initial,
    ...world.states[id],
  }));
  let heard = heardFrom(actors, states, world.now);
  const hears = (channel: Channel) => heard(channel);
  const senses = actors.map((actor, i) =>
    sensesOf(actor, network, () => point, hears, noting ? (one) => felt[i]!.push(one) : undefined),
  );
  const answer = (choice: Choice) => {
    if (noting) felt = actors.map(() => []);
    const answers = actors.map(({ installed }, i) =>
      installed.kind.next(states[i]!, senses[i]!, moments[i]!),
    );
    const next = quickestFirst(actors, states, answers, senses, moments);
    watch?.visits?.({ now: world.now, choice, states, answers, felt, raced: next !== answers });
    return next;
  };
  const asRecord = (list: readonly State[]) => Object.fromEntries(actors.map(({ id }, i) => [id, list[i]!]));
  const finish = (chattering: Chattering | null): Settled => ({
    world: { now: world.now, states: asRecord(states) },
    point,
    chattering,
  });
  let seen = new Map<string, number>();
  let visited: (readonly State[])[] = [];
  let together = true;
  for (;;) {
    const choice = choose(network, actors, moments, states);
    point = network.held ? solveHeld(solver, choice, network.held) : solveKnown(solver, choice);
    watch?.passes?.(point);
    const next = answer(choice);
    const moved: number[] = [];
    next.forEach((state, i) => {
      if (!isSameState(states[i]!, state)) moved.push(i);
    });
    if (moved.length === 0) return finish(null);
    const suspect = visited.length >= SUSPECT_STEPS;
    const key = suspect ? JSON.stringify(states) : '';
    const first = suspect ? seen.get(key) : undefined;
    if (first !== undefined || visited.length >= MOST_STEPS) {
      if (!together) {
        const cycle = visited.slice(first ?? -2);
        const restless = actors.flatMap(({ id }, i) =>
          cycle.every((entry) => isSameState(entry[i]!, cycle[0]![i]!)) ? [] : [id],
        );
        return finish({ devices: restless, between: cycle.map(asRecord) });
      }
      together = false;
      seen = new Map();
      visited = [];
    } else if (suspect) seen.set(key, visited.length);
    visited.push(states);
    const movers = together ? moved : moved.slice(0, 1);
    states = [...states];
    for (const i of movers) states[i] = next[i]!;
    heard = heardFrom(actors, states, world.now);
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
