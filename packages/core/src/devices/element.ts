/**
 * What a device is made of, electrically. Every element is fixed when the circuit
 * is compiled; a device's state only chooses between prepared positions, so the
 * sparsity of the network never changes while it runs.
 *
 * Nodes are named by the device's own designations, by `#name` for a point inside
 * the device, or by `EARTH`.
 */

export const EARTH = 'earth';

/** A resistance in series with an inductance or a capacitance, where there is one. Ohms, henries, farads. */
export interface SeriesImpedance {
  ohms: number;
  henries?: number;
  /** Nothing passes it at 0 Hz. */
  farads?: number;
}

export type Position = SeriesImpedance | 'open';

/** A two-ended impedance that may take several positions (contact, coil, load, fuse). */
export interface BranchElement {
  kind: 'branch';
  id: string;
  a: string;
  b: string;
  positions: Readonly<Record<string, Position>>;
  /** What the branch is to a person: a load uses power, a path only carries it. */
  nature: 'load' | 'path';
}

export interface CapacitorElement {
  kind: 'capacitor';
  id: string;
  a: string;
  b: string;
  farads: number;
}

/** A source behind its own impedance; `a` is the terminal at the quoted phase. */
export interface SourceElement {
  kind: 'source';
  id: string;
  a: string;
  b: string;
  volts: number;
  phaseDegrees: number;
  frequency: 'mains' | 'dc';
  impedance: SeriesImpedance;
}

/**
 * An ideal transformer with its impedance on the secondary side. `ratio` is
 * primary volts per secondary volt; negative when the secondary is reversed.
 * At 0 Hz it is only the secondary's resistance.
 */
export interface TransformerElement {
  kind: 'transformer';
  id: string;
  primary: readonly [string, string];
  secondary: readonly [string, string];
  ratio: number;
  impedance: SeriesImpedance;
  /** Its secondary is where control power comes from. */
  supplies?: boolean;
}

export type Element = BranchElement | CapacitorElement | SourceElement | TransformerElement;

/** Resistance of a closed contact, ohms, from memory. */
export const CLOSED_CONTACT_OHMS = 0.01;

/** A contact: positions `open` and `closed`. */
export function contact(id: string, a: string, b: string): BranchElement {
  const closed = { ohms: CLOSED_CONTACT_OHMS };
  return { kind: 'branch', id, a, b, nature: 'path', positions: { open: 'open', closed } };
}

/** A fixed connection or winding: its single position is `on`. */
export function path(id: string, a: string, b: string, ohms: number): BranchElement {
  return { kind: 'branch', id, a, b, nature: 'path', positions: { on: { ohms } } };
}

/** A load with one position, `on`. */
export function load(id: string, a: string, b: string, impedance: SeriesImpedance): BranchElement {
  return { kind: 'branch', id, a, b, nature: 'load', positions: { on: impedance } };
}

/**
 * Series impedance that draws `voltAmperes` at `volts` with the given power factor.
 * @throws RangeError when volts, voltAmperes or hertz is not positive, or the power factor is outside (0, 1].
 */
export function impedanceOf(
  volts: number,
  voltAmperes: number,
  powerFactor: number,
  hertz: number,
): SeriesImpedance {
  if (!(volts > 0 && voltAmperes > 0 && hertz > 0 && powerFactor > 0 && powerFactor <= 1))
    throw new RangeError('volts, volt-amperes and hertz must be positive and power factor in (0, 1]');
  const magnitude = volts ** 2 / voltAmperes;
  const reactance = magnitude * Math.sqrt(1 - powerFactor ** 2);
  return { ohms: magnitude * powerFactor, henries: reactance / (2 * Math.PI * hertz) };
}

/** How much an impedance holds back at a frequency, ohms. */
export const magnitudeOf = ({ ohms, henries = 0, farads }: SeriesImpedance, hertz: number): number =>
  Math.hypot(ohms, 2 * Math.PI * hertz * henries - (farads ? 1 / (2 * Math.PI * hertz * farads) : 0));

/** What a board itself lives on, by element id: it is no reason for anything to run. */
export const LOGIC = 'logic';

/** The element that senses a call at a board's terminal; and the mark behind such an element. */
export const inputOf = (mark: string) => `input-${mark}`;
export const inputMark = (element: string): string | undefined => /^input-(.+)$/.exec(element)?.[1];
