/**
 * Solving with a fault held: updated from the point without it, which all faults share. Where that would lose too many
 * digits, or the fault holds many branches, the whole is factorised anew.
 */
import type { Branch, Overlay } from './draft';
import { METER_OHMS } from '../standards';
import type { Probes } from './measure';
import { measure } from './measure';
import type { Choice, OperatingPoint, Solver } from './solve';
import { choiceKey, solve, solveKnown, voltsOf } from './solve';
import type { Base, Change } from './update';
import { baseAt, bridgeChange, positionChange, tryChanged } from './update';

/** Beyond so many changes factorising anew is quicker. */
const MOST_UPDATED = 4;
/** Bases and points kept for one solver; beyond this they begin anew. */
const MOST_BASES = 300;
const MOST_POINTS = 12_000;

interface Kept {
  bases: Map<string, Base>;
  points: Map<string, OperatingPoint>;
}

const kept = new WeakMap<Solver, Kept>();

function keptBy(solver: Solver): Kept {
  const known = kept.get(solver);
  if (known) return known;
  const made: Kept = { bases: new Map(), points: new Map() };
  kept.set(solver, made);
  return made;
}

const keys = new WeakMap<Overlay, string>();

function keyOf(held: Overlay): string {
  const known = keys.get(held);
  if (known !== undefined) return known;
  const made = held.map(({ branch, position }) => `|${branch}:${position}`).join('');
  keys.set(held, made);
  return made;
}

/** Keeps what was made under a key; begins anew beyond the most. */
function keep<T>(map: Map<string, T>, most: number, key: string, made: T): T {
  if (map.size >= most) map.clear();
  map.set(key, made);
  return made;
}

/** Whether two positions of a branch let through the same: a contact that is held open where it is open anyway. */
const isAlike = (ac: Branch['ac'], one: number, other: number) =>
  ac[one]!.re === ac[other]!.re && ac[one]!.im === ac[other]!.im;

/** A choice held otherwise, and something across it, updated from the choice itself; `null` where that does not do. */
function updated(
  solver: Solver,
  natural: string,
  choice: Choice,
  held: Overlay,
  across: (base: Base) => readonly Change[],
) {
  const { branches } = solver.network;
  const real = held.filter(
    ({ branch, position }) => !isAlike(branches[branch]!.ac, choice[branch]!, position),
  );
  if (real.length > MOST_UPDATED) return null;
  const { bases } = keptBy(solver);
  const base = bases.get(natural) ?? keep(bases, MOST_BASES, natural, baseAt(solver, choice));
  const changes = real.map(({ branch, position }) => positionChange(base, branch, position));
  return tryChanged(base, [...changes, ...across(base)]);
}

function solveNow(solver: Solver, natural: string, choice: Choice, held: Overlay): OperatingPoint {
  const whole = choice.slice();
  for (const { branch, position } of held) whole[branch] = position;
  const changed = updated(solver, natural, choice, held, () => []);
  return changed
    ? { network: solver.network, choice: whole, frequency: 'mains', ...changed }
    : solve(solver, whole);
}

/** What a meter on a.c. volts reads with some branches held; the meter loads the circuit as a real one does. */
export function voltsHeld(
  solver: Solver,
  choice: Choice,
  held: Overlay,
  { red, black, meter }: Pick<Probes, 'red' | 'black' | 'meter'>,
): number {
  const [one, other] = [solver.network.indexOf(red), solver.network.indexOf(black)];
  if (one === other) return 0;
  const loaded = updated(solver, choiceKey(solver, choice), choice, held, () => [
    bridgeChange(one, other, METER_OHMS[meter]),
  ]);
  if (loaded) return voltsOf({ ...solveHeld(solver, choice, held), ...loaded }, one, other);
  const reading = measure(solveHeld(solver, choice, held), { mode: 'ac-volts', red, black, meter });
  return reading.ok ? reading.value : 0;
}

/**
 * Solves at mains frequency with some branches held. The point must not be changed.
 *
 * @param choice - positions without what is held.
 */
export function solveHeld(solver: Solver, choice: Choice, held: Overlay): OperatingPoint {
  if (held.length === 0) return solveKnown(solver, choice);
  const natural = choiceKey(solver, choice);
  const key = natural + keyOf(held);
  const { points } = keptBy(solver);
  return points.get(key) ?? keep(points, MOST_POINTS, key, solveNow(solver, natural, choice, held));
}
