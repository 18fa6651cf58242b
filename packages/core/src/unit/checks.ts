/**
 * What is measured of an outdoor unit before power: a motor's three leads by their resistances, a run capacitor by its current or
 * its meter. That the largest reading is R to S, the next S to C and the smallest R to C is common practice; that the largest is the
 * sum of the other two follows from the two windings being in series.
 */

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
/** Below this a winding reads as nothing, Ω; to the shell it is grounded below this; and how far a sum may be off. From memory. */
const SHORTED_OHMS = 0.1;
const GROUNDED_OHMS = 100_000;
const SUM_SHARE = 0.1;
const SUM_OHMS = 0.2;

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
  const order = [0, 1, 2].sort((one, other) => between[other]! - between[one]!);
  const [most, middle, least] = order.map((i) => between[i]!) as [number, number, number];
  const sum = middle + least;
  if (Math.abs(most - sum) > Math.max(SUM_OHMS, SUM_SHARE * sum))
    return { type: 'no-sum', largest: most, sum };
  const has = (reading: number, lead: number) => (LEADS[reading] as readonly number[]).includes(lead);
  const pins = PINS.map((_, lead): Pin =>
    !has(order[0]!, lead) ? 'C' : has(order[1]!, lead) ? 'S' : 'R',
  ) as [Pin, Pin, Pin];
  return { type: 'named', pins, run: least, start: middle };
}

/**
 * Capacitance from the current through a capacitor and the volts across it, farads: C = I / (2πfV), exactly.
 *
 * @throws RangeError when amperes, volts or hertz is not above 0.
 */
export function capacitanceOf(amps: number, volts: number, hertz: number): number {
  if (!(amps > 0 && volts > 0 && hertz > 0)) throw new RangeError('amperes, volts and hertz must be above 0');
  return amps / (2 * Math.PI * hertz * volts);
}

export type CapacitorVerdict = 'within' | 'weak' | 'over';

/** Whether a capacitor is within its label's tolerance; farads and a share. */
export function capacitorVerdict(measured: number, label: number, tolerance: number): CapacitorVerdict {
  if (measured < label * (1 - tolerance)) return 'weak';
  return measured > label * (1 + tolerance) ? 'over' : 'within';
}
