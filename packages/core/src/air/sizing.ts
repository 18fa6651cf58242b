/**
 * What every combination of calling zones gives, and which bypass, or which least opening of the dampers, keeps it within
 * what the unit must have.
 */
import type { AirZone, Bypass, ZonedAir, ZonedFlow } from './zoned';
import { WEIGHT_SPAN, flowAt, heldBy, openingThatHolds, staticOf } from './zoned';

export interface ZonedState extends ZonedFlow {
  calling: readonly string[];
  /** How far the bypass is open. */
  bypassOpen: number;
  /** Between supply and return, Pa. */
  staticPa: number;
}

/**
 * What comes of it when some zones call, with the bypass come to rest.
 *
 * @param speed - of the fan's table, 1 as it is.
 * @throws RangeError when the fan's table rises.
 */
export function solveZoned(air: ZonedAir, calling: readonly string[], speed = 1): ZonedState {
  const zones = Object.fromEntries(air.zones.map(({ id }) => [id, calling.includes(id) ? 1 : 0]));
  const at = (bypass: number) => flowAt(air, { zones, bypass, speed });
  const { bypass } = air;
  const bypassOpen = bypass ? openingThatHolds((open) => staticOf(at(open)) - heldBy(bypass, open)) : 0;
  const flow = at(bypassOpen);
  return { ...flow, calling, bypassOpen, staticPa: staticOf(flow) };
}

/** Every combination of calling zones but none, the fewest first. */
export function combinationsOf(zones: readonly Pick<AirZone, 'id'>[]): string[][] {
  const all = Array.from({ length: 2 ** zones.length - 1 }, (_, n) =>
    zones.filter((_zone, i) => ((n + 1) >> i) & 1).map(({ id }) => id),
  );
  return all.sort((one, other) => one.length - other.length);
}

export const zonedStates = (air: ZonedAir): ZonedState[] =>
  combinationsOf(air.zones).map((calling) => solveZoned(air, calling));

/** What the unit must have: air for its coil or its heat, and no more static than its table goes to. */
export interface AirLimits {
  leastFlow: number;
  mostPa: number;
}

/** What a state breaks of them. */
export const breaksOf = ({ total, staticPa }: ZonedState, { leastFlow, mostPa }: AirLimits) => ({
  starved: total < leastFlow,
  loud: staticPa > mostPa,
});

const holds = (air: ZonedAir, limits: AirLimits) =>
  zonedStates(air).every((state) => {
    const { starved, loud } = breaksOf(state, limits);
    return !starved && !loud;
  });

/** Diameters round duct is sold in, m: every inch to 12, every second to 20; from memory. */
const DIAMETERS_M = [5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20].map((inches) => inches * 0.0254);
const OPENINGS = Array.from({ length: 14 }, (_, i) => (i + 1) * 0.05);

/** The two schools, side by side; `null` where neither a size nor an opening is right. */
export interface BypassChoice {
  /** The smallest bypass that holds every combination within the limits. */
  bypass: Bypass | null;
  /** Without one: the least opening the dampers are left at. */
  leastOpen: number | null;
}

/**
 * Sizes the bypass, and computes what the dampers would have to be left open without one.
 *
 * @param given - how a bypass would be built: its length, its duct, its kind.
 */
export function sizeBypass(
  air: ZonedAir,
  limits: AirLimits,
  given: Pick<Bypass, 'lengthM' | 'roughnessM' | 'kind'>,
): BypassChoice {
  // A weight lets the pressure rise by half: it begins so much lower.
  const setPa = given.kind === 'barometric' ? limits.mostPa / (1 + WEIGHT_SPAN) : limits.mostPa * 0.98;
  const bypasses = DIAMETERS_M.map((diameterM): Bypass => ({ ...given, diameterM, setPa }));
  return {
    bypass: bypasses.find((bypass) => holds({ ...air, bypass }, limits)) ?? null,
    leastOpen:
      [0, ...OPENINGS].find((leastOpen) => holds({ ...air, bypass: null, leastOpen }, limits)) ?? null,
  };
}
