/**
 * A steady network of air: nodes at a pressure, branches between them that lose pressure with flow or, as a fan, give it. The
 * flows and pressures that hold together are found by Newton's method over all of them at once.
 */
import type { Duct, Loss } from './friction';
import { ductLoss, dynamicLoss } from './friction';
import { damperCoefficient } from './damper';
import type { FanCurve } from './fan';

/** What a branch does with the air in it. */
export type Part =
  /** `times` what friction and fittings come to, where it was measured. */
  | { type: 'duct'; duct: Duct; times?: number }
  /** A coil, a filter, a grille: so many pascals at so much flow, as the square of it. */
  | { type: 'resistance'; pa: number; flow: number }
  /** `open` from 0 to 1, in a duct of an area. */
  | { type: 'damper'; areaM2: number; open: number }
  | { type: 'fan'; curve: FanCurve };

export interface AirBranch {
  id: string;
  from: string;
  to: string;
  /** One after another, all with the same flow. */
  parts: readonly Part[];
}

/** Branches between nodes; the node `room` is at 0 Pa, where pressures are told from. */
export interface AirNetwork {
  branches: readonly AirBranch[];
}

export const ROOM = 'room';

export interface AirFlow {
  /** By branch, m³/s, from its `from` to its `to`. */
  flows: Readonly<Record<string, number>>;
  /** By node, Pa against the room. */
  pressures: Readonly<Record<string, number>>;
  /** How many times it was improved. */
  steps: number;
}

function partLoss(part: Part, flow: number): Loss {
  switch (part.type) {
    case 'duct': {
      const { pa, slope } = ductLoss(part.duct, flow);
      const { times = 1 } = part;
      return { pa: times * pa, slope: times * slope };
    }
    case 'resistance':
      return {
        pa: (part.pa / part.flow ** 2) * Math.abs(flow) * flow,
        slope: (2 * part.pa * Math.abs(flow)) / part.flow ** 2,
      };
    case 'damper':
      return dynamicLoss(damperCoefficient(part.open), part.areaM2, flow);
    case 'fan': {
      const { pa, slope } = part.curve.at(flow);
      return { pa: -pa, slope: -slope };
    }
  }
}

/** Pa a branch takes at a flow, what its fans give taken off, and how it grows. */
export function branchLoss({ parts }: AirBranch, flow: number): Loss {
  return parts
    .map((part) => partLoss(part, flow))
    .reduce((sum, one) => ({ pa: sum.pa + one.pa, slope: sum.slope + one.slope }), { pa: 0, slope: 0 });
}

/** Gaussian elimination with partial pivoting; `null` where the matrix is singular. Both are used up. */
export function solveDense(matrix: Float64Array[], right: Float64Array): Float64Array | null {
  const size = right.length;
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++)
      if (Math.abs(matrix[row]![column]!) > Math.abs(matrix[pivot]![column]!)) pivot = row;
    if (Math.abs(matrix[pivot]![column]!) < 1e-14) return null;
    [matrix[column], matrix[pivot]] = [matrix[pivot]!, matrix[column]!];
    [right[column], right[pivot]] = [right[pivot]!, right[column]!];
    for (let row = column + 1; row < size; row++) {
      const factor = matrix[row]![column]! / matrix[column]![column]!;
      if (factor === 0) continue;
      for (let k = column; k < size; k++) matrix[row]![k]! -= factor * matrix[column]![k]!;
      right[row]! -= factor * right[column]!;
    }
  }
  for (let row = size - 1; row >= 0; row--) {
    for (let k = row + 1; k < size; k++) right[row]! -= matrix[row]![k]! * right[k]!;
    right[row]! /= matrix[row]![row]!;
  }
  return right;
}

const MOST_STEPS = 200;
/** Good enough: Pa of a branch and m³/s of a node that do not add up. */
const MISSES_PA = 1e-6;
const MISSES_FLOW = 1e-9;
/** A slope a branch has at least, Pa/(m³/s), so that no flow is left undecided. */
const LEAST_SLOPE = 1e-3;
/** What every flow begins at, m³/s. */
const BEGIN = 0.1;

/**
 * Flows and pressures of a network.
 *
 * @throws RangeError when it does not come to rest, or a node hangs on nothing.
 */
export function solveAir({ branches }: AirNetwork): AirFlow {
  const nodes = [...new Set(branches.flatMap(({ from, to }) => [from, to]))].filter((node) => node !== ROOM);
  const nodeAt = new Map(nodes.map((node, i) => [node, branches.length + i]));
  const size = branches.length + nodes.length;
  const x = new Float64Array(size).fill(BEGIN, 0, branches.length);
  const pressure = (node: string, of: Float64Array) => (node === ROOM ? 0 : of[nodeAt.get(node)!]!);

  /** What does not add up: pascals of each branch, then m³/s of each node. */
  const miss = (of: Float64Array): Float64Array => {
    const out = new Float64Array(size);
    branches.forEach((branch, b) => {
      const { from, to } = branch;
      out[b] = pressure(from, of) - pressure(to, of) - branchLoss(branch, of[b]!).pa;
      if (from !== ROOM) out[nodeAt.get(from)!]! -= of[b]!;
      if (to !== ROOM) out[nodeAt.get(to)!]! += of[b]!;
    });
    return out;
  };
  const sizeOf = (missed: Float64Array) =>
    missed.reduce((sum, one, i) => sum + (one / (i < branches.length ? MISSES_PA : MISSES_FLOW)) ** 2, 0);
  const isAtRest = (missed: Float64Array) =>
    missed.every((one, i) => Math.abs(one) <= (i < branches.length ? MISSES_PA : MISSES_FLOW));

  let missed = miss(x);
  for (let step = 0; step < MOST_STEPS; step++) {
    if (isAtRest(missed))
      return {
        flows: Object.fromEntries(branches.map(({ id }, b) => [id, x[b]!])),
        pressures: Object.fromEntries([[ROOM, 0], ...nodes.map((node) => [node, pressure(node, x)])]),
        steps: step,
      };
    const matrix = Array.from({ length: size }, () => new Float64Array(size));
    branches.forEach((branch, b) => {
      const { from, to } = branch;
      matrix[b]![b] = -Math.max(branchLoss(branch, x[b]!).slope, LEAST_SLOPE);
      for (const [node, sign] of [
        [from, 1],
        [to, -1],
      ] as const) {
        if (node === ROOM) continue;
        matrix[b]![nodeAt.get(node)!]! += sign;
        matrix[nodeAt.get(node)!]![b]! -= sign;
      }
    });
    const change = solveDense(
      matrix,
      missed.map((one) => -one),
    );
    if (!change) throw new RangeError('this air network hangs together nowhere with the room');
    // Half as far until it is better than it was: a quadratic loss overshoots from far away.
    let share = 1;
    const was = sizeOf(missed);
    for (;;) {
      const tried = x.map((one, i) => one + share * change[i]!);
      const then = miss(tried);
      if (sizeOf(then) < was || share < 1e-6) {
        x.set(tried);
        missed = then;
        break;
      }
      share /= 2;
    }
  }
  throw new RangeError('this air network does not come to rest');
}
