/** What a meter reads between two points of a solved circuit. */
import type { MeterKind } from '../standards';
import { METER_OHMS } from '../standards';
import type { Network } from './compile';
import type { OperatingPoint, Solver } from './solve';
import { factoriseAt, makeSolver, phasor, solve, voltsOf } from './solve';
import { makeFactor, solveFactored } from './ldl';

export type MeterMode = 'ac-volts' | 'dc-volts' | 'ohms' | 'amps';
export const METER_MODES: readonly MeterMode[] = ['ac-volts', 'dc-volts', 'ohms', 'amps'];

export interface Probes {
  mode: MeterMode;
  red: string;
  black: string;
  meter: MeterKind;
}

/** Why a meter must not be used like that: ohms where there are volts, or an ammeter that draws what it cannot carry. */
export type Misuse = { type: 'ohms-live'; volts: number } | { type: 'amps-across-supply'; amps: number };

/** A reading, or why the meter must not be used like that. `Infinity` ohms is an open loop. */
export type Reading = { ok: true; value: number; unit: 'V' | 'Ω' | 'A' } | { ok: false; misuse: Misuse };

/** An ammeter's shunt, ohms, and the fuse behind it, amperes. From memory. */
export const AMMETER_OHMS = 0.05;
export const AMMETER_FUSE_AMPS = 10;
/** Above this an ohmmeter shows an open loop, from memory. */
const OPEN_LOOP_OHMS = 40e6;
/** Volts that make an ohms reading wrong and the meter unsafe. */
const DEAD_VOLTS = 0.5;

/** Work space of a network's readings: each begins by factorising, so one serves them all. */
const solvers = new WeakMap<Network, Solver>();

function solverFor(network: Network): Solver {
  const known = solvers.get(network);
  if (known) return known;
  const made = makeSolver(network);
  solvers.set(network, made);
  return made;
}

/** Points at 0 Hz, by the point at mains frequency whose contacts they have. */
const direct = new WeakMap<OperatingPoint, OperatingPoint>();

/** The same contacts at 0 Hz: the direct currents and volts that lie under the alternating ones. */
export function directOf(point: OperatingPoint): OperatingPoint {
  const known = direct.get(point);
  if (known) return known;
  const made = solve(solverFor(point.network), point.choice, 'dc');
  direct.set(point, made);
  return made;
}

/** Thévenin impedance between two nodes of the matrix last factorised, ohms. */
function impedanceBetween(solver: Solver, red: number, black: number): { re: number; im: number } {
  const size = solver.network.nodes.length;
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  if (red >= 0) re[red] = 1;
  if (black >= 0) re[black] = -1;
  solveFactored(solver.network.pattern, solver.factor, re, im);
  const at = (values: Float64Array, node: number) => (node < 0 ? 0 : values[node]!);
  return { re: at(re, red) - at(re, black), im: at(im, red) - at(im, black) };
}

/** A point at 0 Hz as an ohmmeter finds it: its factors, and what one ampere into a node would make of the others. */
interface Dead {
  solver: Solver;
  /** Volts by node, by the node it goes in at. */
  columns: Map<number, Float64Array>;
  /** Highest volts on what a node conducts to, by node. */
  strays: Map<number, number>;
}

/** One point is read in ohms at many places. */
const deads = new WeakMap<OperatingPoint, Dead>();

function deadAt(point: OperatingPoint): Dead {
  const known = deads.get(point);
  if (known) return known;
  const solver = { ...solverFor(point.network), factor: makeFactor(point.network.pattern) };
  factoriseAt(solver, point.choice, 'dc');
  const made: Dead = { solver, columns: new Map(), strays: new Map() };
  deads.set(point, made);
  return made;
}

function columnAt({ solver, columns }: Dead, node: number): Float64Array {
  const known = columns.get(node);
  if (known) return known;
  const size = solver.network.nodes.length;
  const re = new Float64Array(size);
  if (node >= 0) {
    re[node] = 1;
    solveFactored(solver.network.pattern, solver.factor, re, new Float64Array(size));
  }
  columns.set(node, re);
  return re;
}

/** Ohms between two nodes of a dead circuit. */
function ohmsBetween(dead: Dead, red: number, black: number): number {
  const [one, other] = [columnAt(dead, red), columnAt(dead, black)];
  const at = (values: Float64Array, node: number) => (node < 0 ? 0 : values[node]!);
  return at(one, red) - at(one, black) - at(other, red) + at(other, black);
}

/** Where there is a supply of direct current, what it does is looked at too. */
const livesOf = (point: OperatingPoint): OperatingPoint[] =>
  point.network.branches.some(({ emf }) => emf && emf.dc.re !== 0) ? [point, directOf(point)] : [point];

/** Highest voltage on the parts of the circuit a node conducts to. */
function strayAt(point: OperatingPoint, dead: Dead, start: number): number {
  const known = dead.strays.get(start);
  if (known !== undefined) return known;
  const lives = livesOf(point);
  const column = columnAt(dead, start);
  let highest = 0;
  // A node that answers at least a thousandth of the drive is tied to the probe.
  const least = column[start]! * 1e-3;
  for (let node = 0; node < column.length; node++) {
    if (column[node]! < least) continue;
    for (const live of lives) {
      const { re, im } = phasor(live, node, start);
      highest = Math.max(highest, Math.hypot(re, im));
    }
  }
  dead.strays.set(start, highest);
  return highest;
}

/** The same of both nodes a meter is put to, and between them. */
const strayVolts = (point: OperatingPoint, dead: Dead, ends: readonly [number, number]): number =>
  Math.max(
    ...livesOf(point).map((live) => voltsOf(live, ...ends)),
    ...ends.filter((end) => end >= 0).map((end) => strayAt(point, dead, end)),
  );

/** Less than this is no direct voltage of either sign, V. */
const LEAST_SIGNED = 1e-3;

/**
 * Puts a meter across two points of a solved circuit. The meter loads the circuit as a
 * real one does, so a floating conductor shows ghost volts on a high-impedance meter and
 * next to nothing on a low-impedance one.
 *
 * Amperes are those of an ammeter bridging the two points with contacts held as they
 * are; for a reading after relays have answered, settle with the meter as a bridge.
 *
 * @throws RangeError when a point is not in the circuit.
 */
export function measure(point: OperatingPoint, { mode, red, black, meter }: Probes): Reading {
  const { network, choice } = point;
  const [r, b] = [network.indexOf(red), network.indexOf(black)];
  if (mode === 'ohms') {
    const dead = deadAt(point);
    const stray = strayVolts(point, dead, [r, b]);
    if (stray > DEAD_VOLTS) return { ok: false, misuse: { type: 'ohms-live', volts: stray } };
    const ohms = r === b ? 0 : ohmsBetween(dead, r, b);
    return { ok: true, value: ohms > OPEN_LOOP_OHMS ? Infinity : Math.max(ohms, 0), unit: 'Ω' };
  }
  const solver = solverFor(network);
  const frequency = mode === 'dc-volts' ? 'dc' : 'mains';
  const solved = frequency === 'dc' ? directOf(point) : point;
  factoriseAt(solver, choice, frequency);
  const open = phasor(solved, r, b);
  const source = r === b ? { re: 0, im: 0 } : impedanceBetween(solver, r, b);
  const load = mode === 'amps' ? AMMETER_OHMS : METER_OHMS[meter];
  const amps = Math.hypot(open.re, open.im) / Math.hypot(load + source.re, source.im);
  // A meter on d.c. says which way round its probes are.
  const sign = mode === 'dc-volts' && open.re < -LEAST_SIGNED ? -1 : 1;
  if (mode !== 'amps') return { ok: true, value: sign * amps * load, unit: 'V' };
  if (amps > AMMETER_FUSE_AMPS) return { ok: false, misuse: { type: 'amps-across-supply', amps } };
  return { ok: true, value: amps, unit: 'A' };
}
