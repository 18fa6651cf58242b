/**
 * Sparse LDLᵀ of a complex symmetric matrix (not Hermitian), with the pattern
 * analysed once and the numbers factorised as often as contacts change.
 *
 * Up-looking factorisation after T. A. Davis, "Algorithm 849: A concise sparse
 * Cholesky factorization package", ACM TOMS 31 (2005), carried over to complex
 * symmetric matrices. No pivoting is needed: every node has a positive leak, so the
 * real part of the matrix is positive definite.
 */
import { minimumDegreeOrder } from './ordering';

export interface Pattern {
  size: number;
  /** Position of each node in elimination order. */
  place: Int32Array;
  order: Int32Array;
  /** Upper triangle by columns, in elimination order. */
  columnStart: Int32Array;
  rowOf: Int32Array;
  /** For each column k, the rows of L that reach it, in the order they must be used. */
  reachStart: Int32Array;
  reach: Int32Array;
  factorStart: Int32Array;
  /** Rows of the entries of L, column by column. */
  factorRow: Int32Array;
  /** Slot in the value arrays of the entry between two nodes. */
  slot(one: number, other: number): number;
}

export interface Factor {
  lRe: Float64Array;
  lIm: Float64Array;
  /** Reciprocals of the diagonal D. */
  dRe: Float64Array;
  dIm: Float64Array;
  work: Work;
}

/** Room that factors of one pattern use one after another. */
interface Work {
  count: Int32Array;
  re: Float64Array;
  im: Float64Array;
}

/** Analyses a symmetric pattern: `adjacency[i]` holds the nodes coupled to node i. */
export function analyse(adjacency: readonly ReadonlySet<number>[]): Pattern {
  const size = adjacency.length;
  const order = minimumDegreeOrder(adjacency);
  const place = new Int32Array(size);
  order.forEach((node, position) => (place[node] = position));
  const columns = Array.from(order, (node, k) =>
    [...adjacency[node]!].map((other) => place[other]!).filter((row) => row < k),
  );
  const columnStart = new Int32Array(size + 1);
  const rows: number[] = [];
  const slots = new Map<number, number>();
  columns.forEach((column, k) => {
    columnStart[k] = rows.length;
    for (const row of [...column, k]) {
      slots.set(row * size + k, rows.length);
      rows.push(row);
    }
  });
  columnStart[size] = rows.length;
  const { reachStart, reach, factorStart, factorRow } = symbolic(size, columns);
  const slot = (one: number, other: number) => {
    const [low, high] = [place[one]!, place[other]!].sort((x, y) => x - y) as [number, number];
    return slots.get(low * size + high)!;
  };
  return {
    size,
    place,
    order,
    columnStart,
    rowOf: Int32Array.from(rows),
    reachStart,
    reach,
    factorStart,
    factorRow,
    slot,
  };
}

/** Elimination tree, and from it which rows of L each column needs. */
function symbolic(size: number, columns: readonly (readonly number[])[]) {
  const parent = new Int32Array(size).fill(-1);
  const flag = new Int32Array(size).fill(-1);
  const counts = new Int32Array(size);
  const reachStart = new Int32Array(size + 1);
  const reach: number[] = [];
  columns.forEach((column, k) => {
    flag[k] = k;
    reachStart[k] = reach.length;
    const ordered: number[] = [];
    for (const row of column) {
      const climb: number[] = [];
      for (let node = row; flag[node] !== k; node = parent[node]!) {
        if (parent[node] === -1) parent[node] = k;
        counts[node]!++;
        climb.push(node);
        flag[node] = k;
      }
      ordered.unshift(...climb);
    }
    reach.push(...ordered);
  });
  reachStart[size] = reach.length;
  const factorStart = new Int32Array(size + 1);
  for (let k = 0; k < size; k++) factorStart[k + 1] = factorStart[k]! + counts[k]!;
  const factorRow = new Int32Array(factorStart[size]!);
  const next = factorStart.slice();
  for (let k = 0; k < size; k++)
    for (let t = reachStart[k]!; t < reachStart[k + 1]!; t++) factorRow[next[reach[t]!]!++] = k;
  return { reachStart, reach: Int32Array.from(reach), factorStart, factorRow };
}

/**
 * Room for one factorisation of a pattern; may be filled again and again.
 *
 * @param beside - another of the same pattern, whose work space it shares.
 */
export function makeFactor({ size, factorStart }: Pattern, beside?: Factor): Factor {
  const entries = factorStart[size]!;
  return {
    lRe: new Float64Array(entries),
    lIm: new Float64Array(entries),
    dRe: new Float64Array(size),
    dIm: new Float64Array(size),
    work: beside?.work ?? {
      count: new Int32Array(size),
      re: new Float64Array(size),
      im: new Float64Array(size),
    },
  };
}

/** Factorises values laid out in the pattern's slots. */
export function factorise(pattern: Pattern, re: Float64Array, im: Float64Array, factor: Factor): void {
  const { size, columnStart, rowOf, reachStart, reach, factorStart, factorRow } = pattern;
  const { lRe, lIm, dRe, dIm, work } = factor;
  const { count, re: workRe, im: workIm } = work;
  count.fill(0);
  for (let k = 0; k < size; k++) {
    for (let p = columnStart[k]!; p < columnStart[k + 1]!; p++) {
      workRe[rowOf[p]!] = re[p]!;
      workIm[rowOf[p]!] = im[p]!;
    }
    let pivotRe = workRe[k]!;
    let pivotIm = workIm[k]!;
    workRe[k] = workIm[k] = 0;
    for (let t = reachStart[k]!; t < reachStart[k + 1]!; t++) {
      const i = reach[t]!;
      const yRe = workRe[i]!;
      const yIm = workIm[i]!;
      workRe[i] = workIm[i] = 0;
      const start = factorStart[i]!;
      const end = start + count[i]!;
      for (let p = start; p < end; p++) {
        const row = factorRow[p]!;
        workRe[row]! -= lRe[p]! * yRe - lIm[p]! * yIm;
        workIm[row]! -= lRe[p]! * yIm + lIm[p]! * yRe;
      }
      const entryRe = yRe * dRe[i]! - yIm * dIm[i]!;
      const entryIm = yRe * dIm[i]! + yIm * dRe[i]!;
      pivotRe -= entryRe * yRe - entryIm * yIm;
      pivotIm -= entryRe * yIm + entryIm * yRe;
      lRe[end] = entryRe;
      lIm[end] = entryIm;
      count[i]!++;
    }
    const square = pivotRe * pivotRe + pivotIm * pivotIm;
    dRe[k] = pivotRe / square;
    dIm[k] = -pivotIm / square;
  }
}

/** Solves in place for a right-hand side given by node; the answer is by node too. */
export function solveFactored(pattern: Pattern, factor: Factor, re: Float64Array, im: Float64Array): void {
  const { size, order, factorStart, factorRow } = pattern;
  const { lRe, lIm, dRe, dIm, work } = factor;
  const { re: workRe, im: workIm } = work;
  for (let k = 0; k < size; k++) {
    workRe[k] = re[order[k]!]!;
    workIm[k] = im[order[k]!]!;
  }
  for (let k = 0; k < size; k++) {
    const xRe = workRe[k]!;
    const xIm = workIm[k]!;
    if (xRe !== 0 || xIm !== 0)
      for (let p = factorStart[k]!; p < factorStart[k + 1]!; p++) {
        const row = factorRow[p]!;
        workRe[row]! -= lRe[p]! * xRe - lIm[p]! * xIm;
        workIm[row]! -= lRe[p]! * xIm + lIm[p]! * xRe;
      }
  }
  for (let k = size - 1; k >= 0; k--) {
    const bRe = workRe[k]!;
    const bIm = workIm[k]!;
    let xRe = bRe * dRe[k]! - bIm * dIm[k]!;
    let xIm = bRe * dIm[k]! + bIm * dRe[k]!;
    for (let p = factorStart[k]!; p < factorStart[k + 1]!; p++) {
      const row = factorRow[p]!;
      xRe -= lRe[p]! * workRe[row]! - lIm[p]! * workIm[row]!;
      xIm -= lRe[p]! * workIm[row]! + lIm[p]! * workRe[row]!;
    }
    workRe[k] = xRe;
    workIm[k] = xIm;
    re[order[k]!] = xRe;
    im[order[k]!] = xIm;
  }
  // The factorisation expects to find its work space empty.
  workRe.fill(0);
  workIm.fill(0);
}
