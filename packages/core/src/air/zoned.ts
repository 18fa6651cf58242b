/**
 * A zoned duct system: a fan with its coil and filter, zones behind dampers, a bypass from supply to return. What every
 * combination of calling zones gives, and which bypass, or which least opening of the dampers, keeps it within its limits.
 */
import { AIR_J_KG_K, AIR_KG_M3 } from '../standards';
import type { FanPoint } from './fan';
import { fanCurve } from './fan';
import type { Duct } from './friction';
import { roundDuct } from './friction';
import type { AirBranch, AirFlow, Part } from './network';
import { ROOM, solveAir } from './network';

/** So many pascals at so much flow. */
export interface Resistance {
  pa: number;
  flow: number;
}

export interface AirZone {
  id: string;
  /** From the supply plenum to its grille. */
  duct: Duct;
  grille: Resistance;
}

/** A duct from supply to return with a damper that opens as the pressure between them rises. */
export interface Bypass {
  diameterM: number;
  lengthM: number;
  roughnessM: number;
  /** Pressure between supply and return it holds, Pa. A weight lets it rise by half before it is wide open; a motor does not. */
  setPa: number;
  kind: 'powered' | 'barometric';
}

export interface ZonedAir {
  fan: readonly FanPoint[];
  /** Coil and filter. */
  unit: readonly Resistance[];
  /** From the room back to the unit. */
  back: Resistance;
  zones: readonly AirZone[];
  /** How far a damper that is shut stays open; 0 shuts. */
  leastOpen: number;
  bypass: Bypass | null;
}

export interface ZonedState {
  calling: readonly string[];
  /** By zone, m³/s. */
  zones: Readonly<Record<string, number>>;
  /** Through the unit, and round through the bypass, m³/s. */
  total: number;
  bypass: number;
  /** How far the bypass is open. */
  bypassOpen: number;
  /** Between supply and return, Pa. */
  staticPa: number;
}

/** A weight is wide open at so many times what it begins at; from memory. */
const WEIGHT_SPAN = 0.5;
const BISECTIONS = 40;

const resistance = ({ pa, flow }: Resistance): Part => ({ type: 'resistance', pa, flow });

/** The network with the dampers and the bypass as they stand. */
function networkOf(
  { fan, unit, back, zones, leastOpen, bypass }: ZonedAir,
  calling: readonly string[],
  bypassOpen: number,
): AirBranch[] {
  const round = bypass && roundDuct(bypass.diameterM, bypass.lengthM, bypass.roughnessM);
  return [
    {
      id: 'fan',
      from: 'return',
      to: 'supply',
      parts: [{ type: 'fan', curve: fanCurve(fan) }, ...unit.map(resistance)],
    },
    { id: 'back', from: ROOM, to: 'return', parts: [resistance(back)] },
    ...zones.map(({ id, duct, grille }): AirBranch => ({
      id: `zone ${id}`,
      from: 'supply',
      to: ROOM,
      parts: [
        { type: 'damper', areaM2: duct.areaM2, open: calling.includes(id) ? 1 : leastOpen },
        { type: 'duct', duct },
        resistance(grille),
      ],
    })),
    ...(round
      ? [
          {
            id: 'bypass',
            from: 'supply',
            to: 'return',
            parts: [
              { type: 'damper', areaM2: round.areaM2, open: bypassOpen },
              { type: 'duct', duct: round },
            ],
          } satisfies AirBranch,
        ]
      : []),
  ];
}

/**
 * What comes of it when some zones call.
 *
 * @throws RangeError when the fan's table rises, or nothing lets the air through.
 */
export function solveZoned(air: ZonedAir, calling: readonly string[]): ZonedState {
  const at = (open: number): AirFlow => solveAir({ branches: networkOf(air, calling, open) });
  const staticOf = ({ pressures }: AirFlow) => pressures.supply! - pressures.return!;
  const { bypass } = air;
  /** Above 0 the bypass would open further. */
  const wants = (open: number, flow: AirFlow) =>
    bypass ? staticOf(flow) - bypass.setPa * (bypass.kind === 'barometric' ? 1 + WEIGHT_SPAN * open : 1) : -1;
  let [low, high] = [0, 1];
  let flow = at(0);
  if (wants(0, flow) > 0) {
    const wide = at(1);
    if (wants(1, wide) >= 0) [low, flow] = [1, wide];
    else
      for (let i = 0; i < BISECTIONS; i++) {
        const middle = (low + high) / 2;
        flow = at(middle);
        if (wants(middle, flow) > 0) low = middle;
        else high = middle;
      }
  }
  return {
    calling,
    zones: Object.fromEntries(air.zones.map(({ id }) => [id, flow.flows[`zone ${id}`]!])),
    total: flow.flows.fan!,
    bypass: flow.flows.bypass ?? 0,
    bypassOpen: low,
    staticPa: staticOf(flow),
  };
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

/**
 * How much colder or warmer the supply air is than the room, K. What runs round through the bypass has been through the unit
 * already: T_s = T_room − Q/(ρ c q (1 − b)).
 *
 * @param watts - of cooling or heat. @throws RangeError when all of the air runs round.
 */
export function supplyDifference(
  { total, bypass }: Pick<ZonedState, 'total' | 'bypass'>,
  watts: number,
): number {
  const fresh = total - bypass;
  if (!(fresh > 0)) throw new RangeError('all of the air runs round through the bypass');
  return watts / (AIR_KG_M3 * AIR_J_KG_K * fresh);
}

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
