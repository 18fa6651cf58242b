/** A circuit at one supply, at rest, ready to be put through the cases of a proof. */
import type { Inputs, Settled, Watch, World } from '../behaviour';
import { NEW_WORLD, advance, advanceUntil, energisedLoads, loadsIn, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Choice, Network, Solver } from '../network';
import { ampsThrough, compile, makeSolver, voltsAcross } from '../network';
import type { Asked, Case, Trip, Until } from './cases';
import { asksOf, inputsOf, occasionActive, powerOff } from './cases';
import { judgePurge, judgeState, litBurner } from './judge';
import type { Busiest, JudgedState, Pulls } from './judged-state';
import { judgedState } from './judged-state';
import type { Violation } from './violation';
import { keyOf } from './violation';

/** A circuit at rest long enough for every compressor to have rested, seconds. */
export const REST_S = 420;
/** A call is watched until nothing is counting any more, and not longer than this. */
export const LONGEST_S = 1200;
/** Long enough after a call for relays, not for purges to end. */
const AFTER_S = 1;
/** How long the power is away when it fails in mid-call, seconds. */
const POWER_OFF_S = 5;
/** Until a person has noticed and cleared what tripped it, s. */
export const CLEARED_AFTER_S = 60;
/** Longer than a defrost can be away, seconds. */
const OCCASION_S = 12_000;

export interface Supplied {
  network: Network;
  solver: Solver;
  /** The state with no call, and the circuit rested in it. */
  off: Asked;
  rest: Settled;
  /** Branches that are coils, with the index of the position in which they are out. */
  coils: readonly { branch: number; inrush: number }[];
  /** Where each set of inputs leads from rest, by inputs: several cases begin with the same. */
  held: Map<string, Settled>;
}

const atMains = (circuit: Circuit, share: number): Circuit => ({
  ...circuit,
  mains: { ...circuit.mains, volts: circuit.mains.volts * share },
});

/** Compiles a circuit at a share of its mains, its conductors at so many °C, and lets it rest. */
export function supply(circuit: Circuit, mains: number, copperC?: number): Supplied {
  const network = compile(atMains(circuit, mains), [], [], copperC);
  const solver = makeSolver(network);
  const off = asksOf(circuit)[0]!;
  return {
    network,
    solver,
    off,
    rest: advance(network, off.inputs, NEW_WORLD, REST_S, solver),
    coils: network.branches.flatMap(({ positions }, branch) => {
      const inrush = positions.indexOf('inrush');
      return inrush < 0 ? [] : [{ branch, inrush }];
    }),
    held: new Map(),
  };
}

function heldAt(supplied: Supplied, inputs: Inputs, from: World): Settled {
  const { network, solver, held, rest } = supplied;
  if (from !== rest.world) return untilSteady(network, inputs, from, LONGEST_S, solver);
  const key = JSON.stringify(inputs);
  const known = held.get(key);
  if (known) return known;
  const settled = untilSteady(network, inputs, from, LONGEST_S, solver);
  held.set(key, settled);
  return settled;
}

/** The world a case begins from: rest, and whatever comes before it. */
function begin(supplied: Supplied, { asked, trip }: Case): World {
  const { network, solver } = supplied;
  let { world } = supplied.rest;
  let last = supplied.off.inputs;
  for (const before of asked.before ?? []) {
    if (before.type === 'hold') last = inputsOf({ asked: { ...asked, inputs: before.inputs }, trip });
    world =
      before.type === 'hold'
        ? heldAt(supplied, last, world).world
        : advance(network, powerOff(network.circuit, last), world, POWER_OFF_S, solver).world;
  }
  return world;
}

/** Lets time pass until an occasion has begun, or come and gone. */
function whenPassed(
  { network, solver }: Supplied,
  inputs: Inputs,
  world: World,
  { device, phase }: Until,
): Settled {
  const active = ({ states }: World) => occasionActive(network.circuit, device, states[device]!);
  const begun = advanceUntil(network, inputs, world, active, OCCASION_S, solver);
  if (phase === 'begun') return begun;
  const ended = advanceUntil(network, inputs, begun.world, (now) => !active(now), OCCASION_S, solver);
  return ended;
}

interface Ran {
  steady: Settled;
  /** Every choice of positions on the way there, in order. */
  passed: readonly Choice[];
  busiest: Busiest;
  look: JudgedState;
  violations: Violation[];
}

/** One case by itself, until it is steady; and what it violates. */
export function runCase(supplied: Supplied, subject: Case): Ran {
  const { network, solver, coils } = supplied;
  const inputs = inputsOf(subject);
  const from = begin(supplied, subject);
  const pulls = new Map<number, number>();
  const passed: Choice[] = [];
  const busiest = new Map<string, Settled>();
  const watch: Watch = {
    passes(point) {
      passed.push(point.choice);
      for (const { branch, inrush } of coils)
        if (point.choice[branch] === inrush)
          pulls.set(branch, Math.max(pulls.get(branch) ?? 0, voltsAcross(point, branch)));
    },
    rests(settled) {
      for (const { device, branch } of network.secondaries) {
        const before = busiest.get(device);
        if (!before || ampsThrough(settled.point, branch) > ampsThrough(before.point, branch))
          busiest.set(device, settled);
      }
    },
  };
  const { until } = subject.asked;
  const steady = until
    ? whenPassed(supplied, inputs, from, until)
    : untilSteady(network, inputs, from, LONGEST_S, solver, watch);
  return { steady, passed, busiest, ...judged(supplied, subject, steady, pulls, busiest) };
}

/** One violation a property and subject: several terminals may tell of one transformer. */
function onceEach(violations: readonly Violation[]): Violation[] {
  const seen = new Set<string>();
  return violations.filter((violation) => {
    const key = keyOf(violation);
    const fresh = !seen.has(key);
    seen.add(key);
    return fresh;
  });
}

function judged(
  supplied: Supplied,
  subject: Case,
  steady: Settled,
  pulls: Pulls,
  busiest: Busiest,
): Pick<Ran, 'look' | 'violations'> {
  const { network, solver, off } = supplied;
  const look = judgedState(network, subject, steady, pulls, busiest);
  const violations = judgeState(look);
  const burner = subject.trip ? undefined : litBurner(look);
  if (burner && subject.asked.calls.includes('heat')) {
    const after = advance(network, off.inputs, steady.world, AFTER_S, solver);
    violations.push(...judgePurge(network, burner, after));
  }
  violations.push(...untempered(supplied, subject, steady));
  return { look, violations: onceEach(violations) };
}

/** What else can warm the air while a unit has turned over, and how long that may take to come, seconds. */
const BACK_UP: ReadonlySet<string> = new Set(['strip', 'flame']);
const BACK_UP_S = 120;

/** A heating unit that has turned over while nothing else warms the air, though something could. */
function untempered({ network, solver }: Supplied, { asked, trip }: Case, begun: Settled): Violation[] {
  const { until } = asked;
  if (until?.phase !== 'begun' || trip || !asked.calls.includes('heat')) return [];
  const loads = loadsIn(network).filter(({ load: { nature } }) => BACK_UP.has(nature));
  if (loads.length === 0) return [];
  const inputs = inputsOf({ asked, trip });
  const later = advance(network, inputs, begun.world, BACK_UP_S, solver);
  if (!occasionActive(network.circuit, until.device, later.world.states[until.device]!)) return [];
  return energisedLoads(network, later).some(({ load: { nature } }) => BACK_UP.has(nature))
    ? []
    : [{ property: 'untempered', about: until.device, loads: loads.map(({ title }) => title) }];
}

/** Seconds until everything that ran runs again, once the trip is over. */
export function runsAgain(supplied: Supplied, asked: Asked, trip: Trip, ran: number): number | null {
  const { network, solver, rest } = supplied;
  const subject: Case = { asked, trip: null, mains: 1 };
  const inputs = inputsOf(subject);
  const running = untilSteady(network, inputs, rest.world, LONGEST_S, solver);
  const tripped = advance(network, inputsOf({ asked, trip }), running.world, CLEARED_AFTER_S, solver);
  const again = untilSteady(network, inputs, tripped.world, LONGEST_S, solver);
  return energisedLoads(network, again).length < ran ? null : again.world.now - tripped.world.now;
}
