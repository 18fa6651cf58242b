/** Goes through every state of a circuit and reports what does not hold, each with a counterexample. */
import type { Inputs, World } from '../behaviour';
import { NEW_WORLD, advance, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Network, Solver } from '../network';
import { compile, makeSolver } from '../network';
import type { Asked, Case, Trip } from './cases';
import { MAINS_SHARES, asksOf, inputsOf, tripsOf } from './cases';
import type { Violation } from './judge';
import { judgePurge, judgeState, litBurner } from './judge';
import type { PropertyId, Severity } from './properties';
import { PROPERTIES, propertyOf } from './properties';

export interface Finding {
  property: PropertyId;
  severity: Severity;
  title: string;
  text: string;
  about: string;
  /** The first state that shows it, and how many do. */
  shownBy: Case;
  states: number;
}

export interface Proof {
  /** States gone through and properties checked in each. */
  states: number;
  properties: number;
  findings: readonly Finding[];
}

/** Told after every state; a proof that is no longer wanted stops when it answers `false`. */
export type Progress = (done: number, all: number) => boolean;

/** A circuit at rest long enough for every compressor to have rested, seconds. */
const REST_S = 420;
/** A call is watched until nothing is counting any more, and not longer than this. */
export const LONGEST_S = 1200;
/** Long enough after a call for relays, not for purges to end. */
const AFTER_S = 1;

const atMains = (circuit: Circuit, share: number): Circuit => ({
  ...circuit,
  mains: { ...circuit.mains, volts: circuit.mains.volts * share },
});

const GRAVITY: Record<Severity, number> = { danger: 0, fault: 1, caution: 2 };

/** Findings of many violations: one for each property and subject. */
function gather(seen: readonly { subject: Case; violation: Violation }[]): Finding[] {
  const findings = new Map<string, Finding>();
  for (const { subject, violation } of seen) {
    const key = `${violation.property} ${violation.about}`;
    const found = findings.get(key);
    if (found) found.states++;
    else {
      const { severity, title } = propertyOf(violation.property);
      findings.set(key, { ...violation, severity, title, shownBy: subject, states: 1 });
    }
  }
  return [...findings.values()].sort((one, other) => GRAVITY[one.severity] - GRAVITY[other.severity]);
}

/** One case by itself, from rest to steady; and what it violates. */
export function runCase(network: Network, off: Asked, subject: Case, rest: World, solver: Solver) {
  const steady = untilSteady(network, inputsOf(subject), rest, LONGEST_S, solver);
  const violations = judgeState(network, subject, steady);
  const burner = subject.trip ? undefined : litBurner(network, steady);
  if (burner && subject.asked.calls.includes('heat')) {
    const after = advance(network, inputsOf({ asked: off, trip: null }), steady.world, AFTER_S, solver);
    violations.push(...judgePurge(network, burner, after));
  }
  return { steady, violations };
}

/** The world after a rest with no call. */
export const restOf = (network: Network, off: Asked, solver: Solver): World =>
  advance(network, inputsOf({ asked: off, trip: null }), NEW_WORLD, REST_S, solver).world;

/** The bench as a case leaves it, to be looked at live. */
export function stageOf(circuit: Circuit, subject: Case): { inputs: Inputs; world: World } {
  const network = compile(atMains(circuit, subject.mains));
  const solver = makeSolver(network);
  const off = asksOf(circuit)[0]!;
  const { steady } = runCase(network, off, subject, restOf(network, off, solver), solver);
  return { inputs: inputsOf(subject), world: steady.world };
}

/** What a circuit violates in one state. */
export function violationsIn(circuit: Circuit, subject: Case): Violation[] {
  const network = compile(atMains(circuit, subject.mains));
  const solver = makeSolver(network);
  const off = asksOf(circuit)[0]!;
  return runCase(network, off, subject, restOf(network, off, solver), solver).violations;
}

/** All cases of one supply and one trip, from one rest. */
function proveTrip(
  network: Network,
  asks: readonly Asked[],
  trip: Trip | null,
  mains: number,
  told: (subject: Case, violations: readonly Violation[]) => boolean,
): boolean {
  const solver = makeSolver(network);
  const off = asks[0]!;
  const rest = restOf(network, off, solver);
  return asks.every((asked) => {
    const subject: Case = { asked, trip, mains };
    return told(subject, runCase(network, off, subject, rest, solver).violations);
  });
}

/**
 * Proves a circuit: all calls, each safety tripped in turn, low, normal and high mains.
 *
 * @returns `null` when `progress` answered `false`.
 */
export function prove(circuit: Circuit, progress: Progress = () => true): Proof | null {
  const asks = asksOf(circuit);
  const trips = [null, ...tripsOf(circuit)];
  const all = MAINS_SHARES.length * trips.length * asks.length;
  const seen: { subject: Case; violation: Violation }[] = [];
  let done = 0;
  const told = (subject: Case, violations: readonly Violation[]) => {
    for (const violation of violations) seen.push({ subject, violation });
    return progress(++done, all);
  };
  for (const mains of [...MAINS_SHARES].sort((one, other) => Math.abs(one - 1) - Math.abs(other - 1))) {
    const network = compile(atMains(circuit, mains));
    for (const trip of trips) if (!proveTrip(network, asks, trip, mains, told)) return null;
  }
  return { states: all, properties: PROPERTIES.length, findings: gather(seen) };
}

/** "63 states, 14 properties: nothing found" */
export function proofInWords({ states, properties, findings }: Proof): string {
  const found = findings.length === 0 ? 'nothing found' : `${findings.length} found`;
  return `${states} states, ${properties} properties: ${found}`;
}
