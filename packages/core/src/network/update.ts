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

/**
 * A choice solved with a factor of its own, beside those of the solver it is taken from.
 *
 * @param choice - the devices' own, nothing held.
 */
export function baseAt(solver: Solver, choice: Choice): Base {
  const plain = solver.under ?? solver;
  const own: Solver = { ...plain, factor: makeFactor(plain.network.pattern, plain.factor) };
  return { solver: own, point: { ...solve(own, choice), network: solver.network }, columns: new Map() };
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

/** Adds uᵀv, for the few nodes of a change, to one entry of a matrix. */
function addAcross({ nodes, weights }: Change, { re, im }: Column, to: Float64Array, at: number): void {
  for (let i = 0; i < nodes.length; i++) {
    const node = nodes[i]!;
    if (node < 0) continue;
    to[at]! += weights[i]! * re[node]!;
    to[at + 1]! += weights[i]! * im[node]!;
  }
}

const sizeAt = (entries: Float64Array, at: number) =>
  Math.sqrt(entries[at]! * entries[at]! + entries[at + 1]! * entries[at + 1]!);

/** Digits that may be lost where a change cuts something off: what is left is more than any meter shows. */
const MOST_LOST = 1e-12;

/**
 * (D⁻¹ + UᵀZ | Uᵀx) by rows, complex entries one after the other.
 *
 * @param least - shares of D⁻¹ below which what is left of a diagonal has lost its digits: then `null`.
 */
function equationsOf(
  { point }: Base,
  changes: readonly Change[],
  columns: readonly Column[],
  least: number,
): Float64Array | null {
  const n = changes.length;
  const width = 2 * (n + 1);
  const rows = new Float64Array(n * width);
  for (let i = 0; i < n; i++) {
    const change = changes[i]!;
    for (let j = 0; j < n; j++) addAcross(change, columns[j]!, rows, i * width + 2 * j);
    addAcross(change, point, rows, i * width + 2 * n);
    const { re, im } = change.by;
    const square = re * re + im * im;
    const at = i * width + 2 * i;
    rows[at]! += re / square;
    rows[at + 1]! -= im / square;
    if (sizeAt(rows, at) * Math.sqrt(square) < least) return null;
  }
  return rows;
}

/** Subtracts from a row another one times the quotient of their entries in a column, from that column on. */
function takeOff(rows: Float64Array, row: number, pivot: number, column: number, width: number): void {
  const [from, by] = [row * width, pivot * width];
  const [pRe, pIm] = [rows[by + column]!, rows[by + column + 1]!];
  const [xRe, xIm] = [rows[from + column]!, rows[from + column + 1]!];
  const square = pRe * pRe + pIm * pIm;
  const [fRe, fIm] = [(xRe * pRe + xIm * pIm) / square, (xIm * pRe - xRe * pIm) / square];
  for (let at = column; at < width; at += 2) {
    const [re, im] = [rows[by + at]!, rows[by + at + 1]!];
    rows[from + at]! -= fRe * re - fIm * im;
    rows[from + at + 1]! -= fRe * im + fIm * re;
  }
}

/** Brings the row whose entry in column k is largest to row k. */
function pivotAt(rows: Float64Array, k: number, n: number, width: number): void {
  let best = k;
  for (let i = k + 1; i < n; i++)
    if (sizeAt(rows, i * width + 2 * k) > sizeAt(rows, best * width + 2 * k)) best = i;
  if (best === k) return;
  const held = rows.slice(k * width, (k + 1) * width);
  rows.copyWithin(k * width, best * width, (best + 1) * width);
  rows.set(held, best * width);
}

/** Solves a few complex equations in place by Gauss and Jordan with row pivoting; rows hold their right-hand side last. */
function eliminate(rows: Float64Array, n: number): Admittance[] {
  const width = 2 * (n + 1);
  for (let k = 0; k < n; k++) {
    pivotAt(rows, k, n, width);
    for (let i = 0; i < n; i++) if (i !== k) takeOff(rows, i, k, 2 * k, width);
  }
  return Array.from({ length: n }, (_, k) => {
    const [at, rest] = [k * width + 2 * k, k * width + 2 * n];
    const [pRe, pIm, re, im] = [rows[at]!, rows[at + 1]!, rows[rest]!, rows[rest + 1]!];
    const square = pRe * pRe + pIm * pIm;
    return { re: (re * pRe + im * pIm) / square, im: (im * pRe - re * pIm) / square };
  });
}

function changed(base: Base, changes: readonly Change[], least: number): Column | null {
  const real = changes.filter(({ by }) => by.re !== 0 || by.im !== 0);
  const columns = real.map((change) => columnOf(base, change));
  const rows = equationsOf(base, real, columns, least);
  if (!rows) return null;
  const amounts = eliminate(rows, real.length);
  const re = new Float64Array(base.point.re);
  const im = new Float64Array(base.point.im);
  columns.forEach((column, c) => subtract(re, im, column, amounts[c]!));
  return { re, im };
}

/** Node voltages after the changes; `null` where too many digits would be lost: factorise anew. */
export const tryChanged = (base: Base, changes: readonly Change[]): Column | null =>
  changed(base, changes, MOST_LOST);

/**
 * Node voltages after the changes. Equal to compiling and solving anew to within rounding, as long as
 * the changes do not cut a node off altogether: there the identity divides by almost nothing.
 */
export const solveChanged = (base: Base, changes: readonly Change[]): Column => changed(base, changes, 0)!;

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
