import type { Network } from './compile';
import type { Admittance, Branch } from './draft';
import { LEAK_SIEMENS } from './compile';
import type { Factor } from './ldl';
import { factorise, makeFactor, solveFactored } from './ldl';

export type Frequency = 'mains' | 'dc';

/** Which position each branch is in, by branch index. */
export type Choice = Uint8Array;

/** A solved network: complex node voltages against earth, by node index, RMS volts. */
export interface OperatingPoint {
  network: Network;
  choice: Choice;
  frequency: Frequency;
  re: Float64Array;
  im: Float64Array;
}

/** Work space for solving one network over and over. */
export interface Solver {
  network: Network;
  re: Float64Array;
  im: Float64Array;
  factor: Factor;
  /** The part of the matrix that no contact changes, leak included, at either frequency. */
  fixed: Readonly<Record<Frequency, { re: Float64Array; im: Float64Array }>>;
  /** Branches with more than one position; of these those a device moves; and those with a source in them. */
  movable: readonly number[];
  moved: readonly number[];
  sources: readonly number[];
  /** Solves the network that this one is laid over, while nothing is held. */
  under: Solver | null;
  /** Points already solved at mains frequency, by choice: contacts return to the same few positions. */
  known: Map<string, OperatingPoint>;
}

const FREQUENCIES: readonly Frequency[] = ['mains', 'dc'];

export function makeSolver(network: Network): Solver {
  const entries = network.pattern.rowOf.length;
  const values = () => ({ re: new Float64Array(entries), im: new Float64Array(entries) });
  const fixed = { mains: values(), dc: values() };
  const numbered = [...network.branches.keys()];
  for (const frequency of FREQUENCIES) {
    for (const slot of network.diagonal) fixed[frequency].re[slot]! += LEAK_SIEMENS;
    for (const b of numbered)
      if (network.branches[b]!.positions.length === 1)
        stamp(network, b, 0, frequency, fixed[frequency].re, fixed[frequency].im);
  }
  return {
    network,
    ...values(),
    factor: makeFactor(network.pattern),
    fixed,
    movable: numbered.filter((b) => network.branches[b]!.positions.length > 1),
    moved: numbered.filter((b) => network.branches[b]!.natural > 1),
    sources: numbered.filter((b) => network.branches[b]!.emf),
    under: network.under ? makeSolver(network.under) : null,
    known: new Map(),
  };
}

/** Every branch in its first position. */
export function restingChoice(network: Network): Choice {
  return new Uint8Array(network.branches.length);
}

export function admittanceOf(branch: Branch, position: number, frequency: Frequency): Admittance {
  return (frequency === 'mains' ? branch.ac : branch.dc)[position]!;
}

/** Adds one branch, in one position, to the matrix. */
function stamp(
  network: Network,
  b: number,
  position: number,
  frequency: Frequency,
  re: Float64Array,
  im: Float64Array,
): void {
  const branch = network.branches[b]!;
  const y = admittanceOf(branch, position, frequency);
  if (y.re === 0 && y.im === 0) return;
  const weights = frequency === 'mains' ? branch.weights : branch.dcWeights;
  const slots = network.slots[b]!;
  for (let i = 0, s = 0; i < weights.length; i++)
    for (let j = i; j < weights.length; j++, s++) {
      const slot = slots[s]!;
      if (slot < 0) continue;
      // Two ends of one stamp on the same node meet on the diagonal, both ways round.
      const both = i !== j && branch.nodes[i] === branch.nodes[j] ? 2 : 1;
      const weight = weights[i]! * weights[j]! * both;
      re[slot]! += y.re * weight;
      im[slot]! += y.im * weight;
    }
}

/** Assembles and factorises the matrix for a choice of positions. */
export function factoriseAt(solver: Solver, choice: Choice, frequency: Frequency): void {
  const { network, re, im, factor, fixed, movable } = solver;
  re.set(fixed[frequency].re);
  im.set(fixed[frequency].im);
  for (const b of movable) stamp(network, b, choice[b]!, frequency, re, im);
  factorise(network.pattern, re, im, factor);
}

/** Currents the sources drive into the nodes, amperes. */
function injections(
  { network, sources }: Solver,
  choice: Choice,
  frequency: Frequency,
  re: Float64Array,
  im: Float64Array,
): void {
  for (const b of sources) {
    const branch = network.branches[b]!;
    const emf = branch.emf![frequency === 'mains' ? 'ac' : 'dc'];
    const y = admittanceOf(branch, choice[b]!, frequency);
    const ampsRe = y.re * emf.re - y.im * emf.im;
    const ampsIm = y.re * emf.im + y.im * emf.re;
    for (let i = 0; i < branch.nodes.length; i++) {
      const node = branch.nodes[i]!;
      if (node < 0) continue;
      re[node]! += ampsRe * branch.weights[i]!;
      im[node]! += ampsIm * branch.weights[i]!;
    }
  }
}

/** Solves the network for a choice of positions. */
export function solve(solver: Solver, choice: Choice, frequency: Frequency = 'mains'): OperatingPoint {
  const { network } = solver;
  factoriseAt(solver, choice, frequency);
  const re = new Float64Array(network.nodes.length);
  const im = new Float64Array(network.nodes.length);
  injections(solver, choice, frequency, re, im);
  solveFactored(network.pattern, solver.factor, re, im);
  return { network, choice, frequency, re, im };
}

/** Points kept by one solver; beyond this it begins anew. */
const MOST_KNOWN = 400;

/** Equal for choices that are the same in every branch a device moves. */
export function choiceKey({ moved }: Solver, choice: Choice): string {
  let key = '';
  for (const b of moved) key += String.fromCharCode(choice[b]!);
  return key;
}

/** Solves at mains frequency, once for each choice of the devices' positions. The point must not be changed. */
export function solveKnown(solver: Solver, choice: Choice): OperatingPoint {
  const key = choiceKey(solver, choice);
  const known = solver.known.get(key);
  if (known) return known;
  const point = solve(solver, choice);
  if (solver.known.size >= MOST_KNOWN) solver.known.clear();
  solver.known.set(key, point);
  return point;
}

/** Voltage from one node to another as a phasor; −1 is earth. */
export function phasor(point: OperatingPoint, from: number, to: number): Admittance {
  const at = (values: Float64Array, node: number) => (node < 0 ? 0 : values[node]!);
  return { re: at(point.re, from) - at(point.re, to), im: at(point.im, from) - at(point.im, to) };
}

/** RMS volts from one node to another; −1 is earth. */
export function voltsOf(point: OperatingPoint, from: number, to: number): number {
  const { re, im } = point;
  const x = (from < 0 ? 0 : re[from]!) - (to < 0 ? 0 : re[to]!);
  const y = (from < 0 ? 0 : im[from]!) - (to < 0 ? 0 : im[to]!);
  // Asked for millions of times, of volts that neither vanish nor overflow when squared: hypot is many times slower.
  return Math.sqrt(x * x + y * y);
}

/** RMS volts across a branch, first node to second. */
export function voltsAcross(point: OperatingPoint, branch: number): number {
  const [from, to] = point.network.branches[branch]!.nodes as [number, number];
  return voltsOf(point, from, to);
}

/** RMS volts between two nodes by name. */
export const voltsBetween = (point: OperatingPoint, from: string, to: string): number =>
  voltsOf(point, point.network.indexOf(from), point.network.indexOf(to));

/** Phasor of the current through a branch, amperes; for a transformer its secondary. */
export function branchCurrent(point: OperatingPoint, index: number): Admittance {
  const branch = point.network.branches[index]!;
  const { nodes } = branch;
  const weights = point.frequency === 'mains' ? branch.weights : branch.dcWeights;
  let re = 0;
  let im = 0;
  for (let i = 0; i < nodes.length; i++) {
    const node = nodes[i]!;
    if (node < 0) continue;
    re += point.re[node]! * weights[i]!;
    im += point.im[node]! * weights[i]!;
  }
  if (branch.emf) {
    const emf = point.frequency === 'mains' ? branch.emf.ac : branch.emf.dc;
    re -= emf.re;
    im -= emf.im;
  }
  const y = admittanceOf(branch, point.choice[index]!, point.frequency);
  return { re: y.re * re - y.im * im, im: y.re * im + y.im * re };
}

/** RMS amperes through a branch. */
export function ampsThrough(point: OperatingPoint, index: number): number {
  const { re, im } = branchCurrent(point, index);
  return Math.sqrt(re * re + im * im);
}
