/** Water that comes in and goes out at rates that stay as they are until something happens: piecewise linear levels. */

/** Less than this is the rounding of a level that has just been reached, l. */
const DROP = 1e-9;

/** What one vessel holds at a time, and how it changes. */
export interface Holding {
  litres: number;
  /** l/s */
  rate: number;
  /** Absolute seconds at which it held so much. */
  at: number;
}

export const held = ({ litres, rate, at }: Holding, now: number): number =>
  Math.max(0, litres + rate * (now - at));

export const isFull = (litres: number, capacity: number) => litres >= capacity - DROP;
export const isEmpty = (litres: number) => litres <= DROP;

/** When it will hold so much, absolute seconds; Infinity where it never does, or already has. */
export function reaches({ litres, rate, at }: Holding, amount: number): number {
  const seconds = (amount - litres) / rate;
  return rate !== 0 && seconds * Math.abs(rate) > DROP ? at + seconds : Infinity;
}

/** What comes next of several times, or none. */
export const soonest = (times: readonly number[], now: number): number | null => {
  const next = Math.min(...times.filter((time) => time > now));
  return Number.isFinite(next) ? next : null;
};
