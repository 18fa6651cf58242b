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
/** Choices and points kept for one solver; beyond this they begin anew. Plain maps: weak ones are dear to collect. */
const MOST_CHOICES = 300;
const MOST_POINTS = 12_000;

/** A choice of the devices, and what was solved with something held over it, by what. */
interface Root {
  choice: Choice;
  /** Its factors, once there was a change to update. */
  base: Base | null;
  points: Map<string, OperatingPoint>;
}

interface Kept {
  roots: Map<string, Root>;
  /** The same by the array a choice came in: to write down its key costs more than to look it up. */
  byChoice: Map<Choice, Root>;
  keys: Map<Overlay, string>;
  points: number;
}

const nothingKept = (): Kept => ({ roots: new Map(), byChoice: new Map(), keys: new Map(), points: 0 });

const kept = new WeakMap<Solver, Kept>();

function keptBy(solver: Solver): Kept {
  const known = kept.get(solver);
  if (known && known.roots.size <= MOST_CHOICES && known.points + known.byChoice.size <= MOST_POINTS)
    return known;
  const made = nothingKept();
  kept.set(solver, made);
  return made;
}

function rootAt(solver: Solver, choice: Choice): Root {
  const { roots, byChoice } = keptBy(solver);
  const before = byChoice.get(choice);
  if (before) return before;
  const key = choiceKey(solver, choice);
  const root = roots.get(key) ?? { choice, base: null, points: new Map() };
  roots.set(key, root);
  byChoice.set(choice, root);
  return root;
}

function keyOf(solver: Solver, held: Overlay): string {
  const { keys } = keptBy(solver);
  const known = keys.get(held);
  if (known !== undefined) return known;
  const made = held.map(({ branch, position }) => `|${branch}:${position}`).join('');
  keys.set(held, made);
  return made;
}

/** Whether two positions of a branch let through the same: a contact that is held open where it is open anyway. */
const isAlike = (ac: Branch['ac'], one: number, other: number) =>
  ac[one]!.re === ac[other]!.re && ac[one]!.im === ac[other]!.im;

/** A choice held otherwise, and something across it, updated from the choice itself; `null` where that does not do. */
function updated(solver: Solver, root: Root, held: Overlay, across?: Change) {
  const { branches } = solver.network;
  const { choice } = root;
  const real = held.filter(
    ({ branch, position }) => !isAlike(branches[branch]!.ac, choice[branch]!, position),
  );
  if (real.length > MOST_UPDATED) return null;
  root.base ??= baseAt(solver, choice);
  const { base } = root;
  const changes = real.map(({ branch, position }) => positionChange(base, branch, position));
  return tryChanged(base, across ? [...changes, across] : changes);
}

function solveNow(solver: Solver, root: Root, held: Overlay): OperatingPoint {
  const whole = root.choice.slice();
  for (const { branch, position } of held) whole[branch] = position;
  const changed = updated(solver, root, held);
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
  const bridge = bridgeChange(one, other, METER_OHMS[meter]);
  const loaded = updated(solver, rootAt(solver, choice), held, bridge);
  if (loaded) return voltsOf({ ...solveHeld(solver, choice, held), ...loaded }, one, other);
  const reading = measure(solveHeld(solver, choice, held), { mode: 'ac-volts', red, black, meter });
  return reading.ok ? reading.value : 0;
}

/**
 * Solves at mains frequency with some branches held. The point must not be changed.
 *
 * @param choice - positions without what is held; it must not be changed either.
 */
export function solveHeld(solver: Solver, choice: Choice, held: Overlay): OperatingPoint {
  if (held.length === 0) return solveKnown(solver, choice);
  const root = rootAt(solver, choice);
  const key = keyOf(solver, held);
  const before = root.points.get(key);
  if (before) return before;
  const point = solveNow(solver, root, held);
  root.points.set(key, point);
  keptBy(solver).points++;
  return point;
}
