import { transformerStands } from '../../standards';

/**
 * How long a protective device carries an overload.
 *
 * Fuse times interpolate between the middle of the published gates of blade fuses
 * (ISO 8820-3: 1.35 × rating 0.75–600 s, 2 × 0.15–5 s, 3.5 × 0.08–0.5 s), quoted from
 * memory; beyond the last gate the melting integral I²t is constant.
 */
const BLADE_GATES: readonly (readonly [multiple: number, seconds: number])[] = [
  [1.35, 60],
  [2, 1],
  [3.5, 0.15],
];

/** Multiple of its rated current a self-limiting winding carries without end, from memory. */
const LIMIT_HOLDS = 1.5;

/** Multiple of its rating a blade fuse carries without end. */
export const BLADE_HOLDS = 1.35;

/** Seconds until a blade fuse opens at a multiple of its rating; Infinity when it holds. */
export function bladeFuseSeconds(multiple: number): number {
  if (multiple < BLADE_HOLDS) return Infinity;
  const upper = BLADE_GATES.findIndex(([gate]) => multiple < gate);
  const last = BLADE_GATES[BLADE_GATES.length - 1]!;
  if (upper < 0) return last[1] * (last[0] / multiple) ** 2;
  const [m1, t1] = BLADE_GATES[upper]!;
  const [m0, t0] = BLADE_GATES[upper - 1]!;
  const share = Math.log(multiple / m0) / Math.log(m1 / m0);
  return t0 * (t1 / t0) ** share;
}

/** Seconds until a thermal-magnetic breaker opens at a multiple of its rating, from memory. */
export function breakerSeconds(multiple: number): number {
  if (multiple < 1.35) return Infinity;
  return multiple >= 8 ? 0.02 : 120 / (multiple ** 2 - 1);
}

/**
 * Seconds until a transformer that limits itself opens: half of what its winding stands (`transformerStands`),
 * from memory.
 */
export const windingSeconds = (multiple: number): number =>
  multiple < LIMIT_HOLDS ? Infinity : transformerStands(multiple) / 2;

/** Anything quicker than this counts as happening at once when a circuit settles, seconds. */
const INSTANT_SECONDS = 1;

/** State shared by everything that opens on overload. */
export type Overload = { open: boolean; opensAt: number | null };

export const carrying: Overload = { open: false, opensAt: null };

/**
 * Steps an overcurrent device: starts its clock when overloaded, forgets it when
 * the overload ends, opens when the time is up.
 */
export function stepOverload(state: Overload, secondsToOpen: number, now: number): Overload {
  if (state.open) return state;
  if (secondsToOpen === Infinity) return carrying;
  const opensAt = Math.min(state.opensAt ?? Infinity, now + secondsToOpen);
  if (secondsToOpen < INSTANT_SECONDS || opensAt <= now) return { open: true, opensAt: null };
  return { open: false, opensAt };
}
