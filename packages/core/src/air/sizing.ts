/**
 * What every combination of calling zones gives, and which bypass, or which least opening of the dampers, keeps it within
 * what the unit must have.
 */
import { roundDuct } from './friction';
import type { AirZone, Bypass, ZonedAir, ZonedFlow } from './zoned';
import { WEIGHT_SPAN, flowAt, heldBy, openingThatHolds, staticOf } from './zoned';

export interface ZonedState extends ZonedFlow {
  calling: readonly string[];
  /** How far the bypass is open. */
  bypassOpen: number;
  /** Between supply and return, Pa. */
  staticPa: number;
  /** How fast the air goes in the zone's duct it goes fastest in, m/s. */
  fastestMs: number;
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
  const fastestMs = Math.max(...air.zones.map(({ id, duct }) => Math.abs(flow.zones[id]!) / duct.areaM2));
  return { ...flow, calling, bypassOpen, staticPa: staticOf(flow), fastestMs };
}

/** Every combination of calling zones but none, the fewest first. */
export function combinationsOf(zones: readonly Pick<AirZone, 'id'>[]): string[][] {
  const all = Array.from({ length: 2 ** zones.length - 1 }, (_, n) =>
    zones.filter((_zone, i) => ((n + 1) >> i) & 1).map(({ id }) => id),
  );
  return all.sort((one, other) => one.length - other.length);
}

export const zonedStates = (air: ZonedAir, speed = 1): ZonedState[] =>
  combinationsOf(air.zones).map((calling) => solveZoned(air, calling, speed));

/** What every combination must keep to. */
export interface AirLimits {
  holds(state: ZonedState): boolean;
  /** Between supply and return, Pa. */
  mostPa: number;
  /** What the fan runs at of its table. */
  speed: number;
}

/** The fewest zones come first, and are the first to break a limit: what follows need not be worked out. */
const holds = (air: ZonedAir, limits: AirLimits) =>
  combinationsOf(air.zones).every((calling) => limits.holds(solveZoned(air, calling, limits.speed)));

/** Diameters round duct is sold in, m: every inch to 12, every second to 20; from memory. */
const DIAMETERS_M = [5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20].map((inches) => inches * 0.0254);
/** What a bypass is set to, of what the pressure may go to: a little under it, or lower where more air is wanted. */
const SET_SHARES = [0.98, 0.9, 0.8, 0.7, 0.6, 0.5];

/**
 * The smallest bypass with which every combination keeps to its limits, set as high as will do; `null` where none is right.
 *
 * @param given - how a bypass would be built: its length, its duct, its kind.
 */
export function sizeBypass(
  air: ZonedAir,
  limits: AirLimits,
  given: Pick<Bypass, 'lengthM' | 'roughnessM' | 'kind'>,
): Bypass | null {
  // A weight lets the pressure rise by half: it begins so much lower.
  const most = limits.mostPa / (given.kind === 'barometric' ? 1 + WEIGHT_SPAN : 1);
  return (
    DIAMETERS_M.flatMap((diameterM) =>
      SET_SHARES.map((share): Bypass => ({ ...given, diameterM, setPa: most * share })),
    ).find((bypass) => holds({ ...air, bypass }, limits)) ?? null
  );
}

const OPENINGS = Array.from({ length: 15 }, (_, i) => i * 0.05);
const SPEEDS = Array.from({ length: 9 }, (_, i) => 1 - i * 0.05);

/** What helps without a bypass: how far shut dampers are left open, a slower fan, or a wider duct for the smallest zone. */
export interface WithoutBypass {
  leastOpen: number | null;
  /** Of what the fan runs at now. */
  speed: number | null;
  wider: { zone: string; diameterM: number } | null;
}

/** Each by itself, the least of it that keeps every combination within its limits; `null` where none does. */
export function withoutBypass(given: ZonedAir, limits: AirLimits): WithoutBypass {
  const air = { ...given, bypass: null };
  const smallest = [...air.zones].sort((one, other) => one.duct.areaM2 - other.duct.areaM2)[0];
  const widened = (diameterM: number): ZonedAir => ({
    ...air,
    zones: air.zones.map((zone) =>
      zone === smallest
        ? {
            ...zone,
            duct: roundDuct(diameterM, zone.duct.lengthM, zone.duct.roughnessM, zone.duct.fittings),
            grille: { ...zone.grille, flow: zone.grille.flow * (diameterM / zone.duct.diameterM) ** 2 },
          }
        : zone,
    ),
  });
  const wider = DIAMETERS_M.find(
    (diameterM) => smallest && diameterM > smallest.duct.diameterM && holds(widened(diameterM), limits),
  );
  return {
    leastOpen: OPENINGS.find((leastOpen) => holds({ ...air, leastOpen }, limits)) ?? null,
    speed: SPEEDS.find((share) => holds(air, { ...limits, speed: limits.speed * share })) ?? null,
    wider: smallest && wider !== undefined ? { zone: smallest.id, diameterM: wider } : null,
  };
}
