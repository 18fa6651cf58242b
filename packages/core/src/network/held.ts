/**
 * Solving with a fault held: updated from the point without it, which all faults share. Where that would lose too many
 * digits, or the fault holds many branches, the whole is factorised anew.
 */
import type { Overlay } from './draft';
import type { Base } from './update';
import { baseAt, positionChange, tryChanged } from './update';
import type { Choice, OperatingPoint, Solver } from './solve';
import { choiceKey, solve, solveKnown } from './solve';

/** Beyond so many changes factorising anew is quicker. */
const MOST_UPDATED = 3;
/** Bases and points kept for one solver; beyond this they begin anew. */
const MOST_BASES = 300;
const MOST_POINTS = 3000;

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

function solveNow(solver: Solver, natural: string, choice: Choice, held: Overlay): OperatingPoint {
  const whole = choice.slice();
  for (const { branch, position } of held) whole[branch] = position;
  const real = held.filter(({ branch, position }) => choice[branch] !== position);
  if (real.length > MOST_UPDATED) return solve(solver, whole);
  const { bases } = keptBy(solver);
  const base = bases.get(natural) ?? keep(bases, MOST_BASES, natural, baseAt(solver, choice));
  const changed = tryChanged(
    base,
    real.map(({ branch, position }) => positionChange(base, branch, position)),
  );
  return changed
    ? { network: solver.network, choice: whole, frequency: 'mains', ...changed }
    : solve(solver, whole);
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
