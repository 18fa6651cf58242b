/**
 * Solving again after a small change without factorising again: Woodbury's identity on the rank-one
 * stamps that changed,
 *
 *   (A + U D Uᵀ)⁻¹ b = x − Z (D⁻¹ + UᵀZ)⁻¹ Uᵀx,  Z = A⁻¹U, x = A⁻¹b,
 *
 * after M. A. Woodbury, "Inverting modified matrices" (1950). One column of Z costs one substitution
 * and is kept, so that a contact that comes and goes is paid for once.
 */
import type { Network } from './compile';
import type { Admittance } from './draft';
import type { Choice, OperatingPoint, Solver } from './solve';
import { admittanceOf, makeSolver, solve } from './solve';
import { makeFactor, solveFactored } from './ldl';

/** A change of admittance between nodes, siemens: the stamp `by`·u·uᵀ. −1 is earth. */
export interface Change {
  nodes: readonly number[];
  weights: readonly number[];
  by: Admittance;
}

interface Column {
  re: Float64Array;
  im: Float64Array;
}

/** A solved choice with its factors held, ready for changes. */
export interface Base {
  solver: Solver;
  point: OperatingPoint;
  columns: Map<number | string, Column>;
}

/** Factorises a choice of positions at mains frequency as the base of later changes. */
export function makeBase(network: Network, choice: Choice): Base {
  const solver = makeSolver(network);
  return { solver, point: solve(solver, choice), columns: new Map() };
}

/** A choice solved with a factor of its own, beside those of the solver it is taken from. */
export function baseAt(solver: Solver, choice: Choice): Base {
  const own: Solver = { ...solver, factor: makeFactor(solver.network.pattern) };
  return { solver: own, point: solve(own, choice), columns: new Map() };
}

/** A branch put into another position; branches with a source in them have only one. */
export function positionChange({ point }: Base, branch: number, position: number): Change {
  const { nodes, weights } = point.network.branches[branch]!;
  const before = admittanceOf(point.network.branches[branch]!, point.choice[branch]!, 'mains');
  const after = admittanceOf(point.network.branches[branch]!, position, 'mains');
  return { nodes, weights, by: { re: after.re - before.re, im: after.im - before.im } };
}

/** Something of so many ohms held across two nodes. */
export const bridgeChange = (one: number, other: number, ohms: number): Change => ({
  nodes: [one, other],
  weights: [1, -1],
  by: { re: 1 / ohms, im: 0 },
});

function columnOf({ solver, columns }: Base, { nodes, weights }: Change): Column {
  const size = solver.network.nodes.length;
  const plain = nodes.length === 2 && weights[0] === 1 && weights[1] === -1;
  const key = plain ? nodes[0]! * size + nodes[1]! : `${nodes.join()}/${weights.join()}`;
  const known = columns.get(key);
  if (known) return known;
  const column = { re: new Float64Array(size), im: new Float64Array(size) };
  nodes.forEach((node, i) => {
    if (node >= 0) column.re[node]! += weights[i]!;
  });
  solveFactored(solver.network.pattern, solver.factor, column.re, column.im);
  columns.set(key, column);
  return column;
}

/** uᵀv for the few nodes of a change. */
function across({ nodes, weights }: Change, { re, im }: Column): Admittance {
  const sum = { re: 0, im: 0 };
  for (let i = 0; i < nodes.length; i++) {
    const node = nodes[i]!;
    if (node < 0) continue;
    sum.re += weights[i]! * re[node]!;
    sum.im += weights[i]! * im[node]!;
  }
  return sum;
}

const times = (a: Admittance, b: Admittance): Admittance => ({
  re: a.re * b.re - a.im * b.im,
  im: a.re * b.im + a.im * b.re,
});
const minus = (a: Admittance, b: Admittance): Admittance => ({ re: a.re - b.re, im: a.im - b.im });
function over(a: Admittance, b: Admittance): Admittance {
  const square = b.re ** 2 + b.im ** 2;
  return { re: (a.re * b.re + a.im * b.im) / square, im: (a.im * b.re - a.re * b.im) / square };
}
const size = ({ re, im }: Admittance) => Math.hypot(re, im);

/** Solves a few complex equations by elimination with row pivoting; rows hold their right-hand side last. */
function eliminate(rows: Admittance[][]): Admittance[] {
  const n = rows.length;
  for (let k = 0; k < n; k++) {
    const pivot = rows
      .slice(k)
      .reduce((best, row, i) => (size(row[k]!) > size(rows[best]![k]!) ? k + i : best), k);
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    for (let i = k + 1; i < n; i++) {
      const factor = over(rows[i]![k]!, rows[k]![k]!);
      rows[i] = rows[i]!.map((entry, j) => (j < k ? entry : minus(entry, times(factor, rows[k]![j]!))));
    }
  }
  const answer: Admittance[] = [];
  for (let k = n - 1; k >= 0; k--) {
    let rest = rows[k]![n]!;
    for (let j = k + 1; j < n; j++) rest = minus(rest, times(rows[k]![j]!, answer[j]!));
    answer[k] = over(rest, rows[k]![k]!);
  }
  return answer;
}

/** (D⁻¹ + UᵀZ)⁻¹ Uᵀx */
function amountsOf(base: Base, changes: readonly Change[], columns: readonly Column[]): Admittance[] {
  const own = (change: Change, column: Column) =>
    minus(across(change, column), over({ re: -1, im: 0 }, change.by));
  if (changes.length === 1) return [over(across(changes[0]!, base.point), own(changes[0]!, columns[0]!))];
  return eliminate(
    changes.map((change, i) => [
      ...columns.map((column, j) => (i === j ? own(change, column) : across(change, column))),
      across(change, base.point),
    ]),
  );
}

/** Digits that may be lost where a change cuts something off: what is left is more than any meter shows. */
const MOST_LOST = 1e-12;

/** Whether the identity would divide by what is left of two numbers that are all but equal. */
const losesDigits = (base: Base, changes: readonly Change[], columns: readonly Column[]) =>
  changes.some((change, i) => {
    const inverse = over({ re: 1, im: 0 }, change.by);
    const sum = across(change, columns[i]!);
    const left = { re: sum.re + inverse.re, im: sum.im + inverse.im };
    return size(left) < MOST_LOST * size(inverse);
  });

/** Node voltages after the changes; `null` where too many digits would be lost: factorise anew. */
export function tryChanged(base: Base, changes: readonly Change[]): Column | null {
  const real = changes.filter(({ by }) => by.re !== 0 || by.im !== 0);
  const columns = real.map((change) => columnOf(base, change));
  return losesDigits(base, real, columns) ? null : solveChanged(base, real);
}

/**
 * Node voltages after the changes. Equal to compiling and solving anew to within rounding, as long as
 * the changes do not cut a node off altogether: there the identity divides by almost nothing.
 */
export function solveChanged(base: Base, changes: readonly Change[]): Column {
  const real = changes.filter(({ by }) => by.re !== 0 || by.im !== 0);
  const columns = real.map((change) => columnOf(base, change));
  const amounts = amountsOf(base, real, columns);
  const re = new Float64Array(base.point.re);
  const im = new Float64Array(base.point.im);
  columns.forEach((column, c) => subtract(re, im, column, amounts[c]!));
  return { re, im };
}

/** v − a·z, in place: the whole cost of an update whose column is known. */
function subtract(
  re: Float64Array,
  im: Float64Array,
  column: Column,
  { re: aRe, im: aIm }: Admittance,
): void {
  const { re: zRe, im: zIm } = column;
  for (let node = 0; node < re.length; node++) {
    const x = zRe[node]!;
    const y = zIm[node]!;
    re[node]! -= x * aRe - y * aIm;
    im[node]! -= x * aIm + y * aRe;
  }
}
