/** Judges a reading a person took against the one the model expects. */
import type { MeterMode } from '../network';
import { METER_ACCURACY } from '../standards';

/** Mains may stand this far either side of nominal: ANSI C84.1 range A, from memory. */
export const MAINS_TOLERANCE = 0.05;
/** Copper temperature, contact films and part tolerances on a resistance, from memory. */
const OHMS_TOLERANCE = 0.15;
/** Meters resolve no finer than this in ohms, leads included. */
const OHMS_FLOOR = 0.5;

export type Unit = 'V' | 'Ω' | 'A';

export const UNIT_OF_MODE = {
  'ac-volts': 'V',
  'dc-volts': 'V',
  ohms: 'Ω',
  amps: 'A',
} as const satisfies Record<MeterMode, Unit>;

export interface Range {
  low: number;
  high: number;
}

/** The range a healthy circuit reads in, around the model's value. */
export function expectedRange(value: number, unit: Unit): Range {
  if (value === Infinity) return { low: Infinity, high: Infinity };
  const share = unit === 'Ω' ? OHMS_TOLERANCE : MAINS_TOLERANCE + METER_ACCURACY.share;
  const floor = unit === 'Ω' ? OHMS_FLOOR : unit === 'V' ? METER_ACCURACY.volts : 0.05;
  return { low: Math.max(0, value * (1 - share) - floor), high: value * (1 + share) + floor };
}

export type Verdict = 'agrees' | 'low' | 'high';

/** Whether an actual reading agrees with the expected one. */
export function judge(actual: number, expected: number, unit: Unit): Verdict {
  const { low, high } = expectedRange(expected, unit);
  if (actual === expected) return 'agrees';
  return actual < low ? 'low' : actual > high ? 'high' : 'agrees';
}
