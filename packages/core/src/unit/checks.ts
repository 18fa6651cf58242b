/**
 * What is measured of an outdoor unit before power: a motor's three leads by their resistances, a run capacitor by its current or
 * its meter. That the largest reading is R to S, the next S to C and the smallest R to C is common practice; that the largest is the
 * sum of the other two follows from the two windings being in series.
 */

import { readWindings } from '../standards';

export type Pin = 'C' | 'R' | 'S';
const PINS: readonly Pin[] = ['C', 'R', 'S'];

/** Ohms between the leads 1–2, 2–3 and 1–3; Infinity for an open loop. And from each to the shell, where it was read. */
export interface WindingReadings {
  between: readonly [number, number, number];
  toShell?: readonly (number | null)[];
}

export type WindingVerdict =
  | { type: 'named'; pins: readonly [Pin, Pin, Pin]; run: number; start: number }
  /** No reading between two leads is another's sum. */
  | { type: 'no-sum'; largest: number; sum: number }
  /** The lead that reads open to both others, or `null` where nothing reads. */
  | { type: 'open'; lead: number | null }
  | { type: 'shorted'; between: readonly [number, number] }
  | { type: 'grounded'; lead: number; ohms: number };

/** Leads of each reading, by index. */
const LEADS = [
  [0, 1],
  [1, 2],
  [0, 2],
] as const;
/** Below this a winding reads as nothing, and to the shell it is grounded, Ω; from memory. */
const SHORTED_OHMS = 0.1;
const GROUNDED_OHMS = 100_000;

/**
 * Names a motor's three leads from its resistances, or says what is wrong with it.
 *
 * @throws RangeError when a reading is negative or not a number.
 */
export function nameWindings({ between, toShell = [] }: WindingReadings): WindingVerdict {
  if (between.some((ohms) => !(ohms >= 0))) throw new RangeError('a reading in ohms must be 0 or more');
  const grounded = toShell.findIndex((ohms) => ohms !== null && ohms < GROUNDED_OHMS);
  if (grounded >= 0) return { type: 'grounded', lead: grounded, ohms: toShell[grounded]! };
  const reads = between.map(Number.isFinite);
  const good = reads.filter(Boolean).length;
  if (good === 0) return { type: 'open', lead: null };
  if (good === 1) {
    const [one, other] = LEADS[reads.indexOf(true)]!;
    const lead = PINS.findIndex((_, i) => i !== one && i !== other);
    return { type: 'open', lead };
  }
  const shorted = between.findIndex((ohms) => ohms < SHORTED_OHMS);
  if (shorted >= 0) return { type: 'shorted', between: LEADS[shorted]! };
  const { pairs, adds } = readWindings(between);
  const [least, middle, most] = [...between].sort((one, other) => one - other) as [number, number, number];
  if (!adds) return { type: 'no-sum', largest: most, sum: middle + least };
  // A lead is the pin that both its readings have.
  const pins = PINS.map((_, lead): Pin => {
    const own = pairs.filter((_pair, reading) => (LEADS[reading] as readonly number[]).includes(lead));
    return PINS.find((pin) => own.every((pair) => pair.includes(pin)))!;
  }) as [Pin, Pin, Pin];
  return { type: 'named', pins, run: least, start: middle };
}

export type CapacitorVerdict = 'within' | 'weak' | 'over';

/** Whether a capacitor is within its label's tolerance; farads and a share. */
export function capacitorVerdict(measured: number, label: number, tolerance: number): CapacitorVerdict {
  if (measured < label * (1 - tolerance)) return 'weak';
  return measured > label * (1 + tolerance) ? 'over' : 'within';
}
