/** What is measured on a compressor and its run capacitor. */

/** Parts in which a run capacitor may stray from its label before it is replaced: common practice. */
export const CAPACITOR_TOLERANCE = 0.06;
/** How far the sum of the winding readings may be off, ohms and share: leads and contacts, from memory. */
const WINDING_OHMS = 0.3;
const WINDING_SHARE = 0.1;

/**
 * Capacitance under load, farads: C = I / (2π f V), exact for a sinusoid.
 * @throws RangeError when volts or hertz is not positive.
 */
export function capacitanceUnderLoad(amps: number, volts: number, hertz: number): number {
  if (!(volts > 0 && hertz > 0)) throw new RangeError('volts and hertz must be positive');
  return amps / (2 * Math.PI * hertz * volts);
}

export interface Windings {
  /** Which reading, by its place in the list, joins which pins. */
  pairs: readonly ['R–S' | 'S–C' | 'R–C', 'R–S' | 'S–C' | 'R–C', 'R–S' | 'S–C' | 'R–C'];
  /** Largest equals the sum of the other two, within reading error. */
  adds: boolean;
}

/**
 * Tells the pins of a single-phase compressor from three readings: the largest is R–S, the next S–C, the
 * smallest R–C, and the largest is the sum of the other two (common practice).
 */
export function readWindings(ohms: readonly [number, number, number]): Windings {
  const order = [0, 1, 2].sort((one, other) => ohms[other]! - ohms[one]!);
  const names = ['R–S', 'S–C', 'R–C'] as const;
  const pairs = [0, 1, 2].map((i) => names[order.indexOf(i)]!) as unknown as Windings['pairs'];
  const [largest, middle, smallest] = order.map((i) => ohms[i]!) as [number, number, number];
  const sum = middle + smallest;
  return { pairs, adds: Math.abs(largest - sum) <= WINDING_OHMS + WINDING_SHARE * sum };
}
