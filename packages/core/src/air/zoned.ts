/**
 * A zoned duct system: a fan with its coil and filter, zones behind dampers, a bypass from supply to return, and what flows
 * with all of them as they stand.
 */
import { AIR_J_KG_K, AIR_KG_M3 } from '../standards';
import type { FanPoint } from './fan';
import { atSpeed, fanCurve } from './fan';
import type { Duct } from './friction';
import { roundDuct } from './friction';
import type { AirBranch, Part } from './network';
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
  /** How far a damper in it that is set by hand stands open, 0 to 1; none where it is left out. */
  hand?: number;
  /** How many times more it takes than was worked out, where it was measured. */
  times?: number;
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

/** How dampers and bypass stand, 0 shut to 1 open, and what the fan runs at of its table. */
export interface AirStanding {
  /** By zone. */
  zones: Readonly<Record<string, number>>;
  bypass: number;
  speed: number;
}

export interface ZonedFlow {
  /** By zone, m³/s. */
  zones: Readonly<Record<string, number>>;
  /** Through the unit, and round through the bypass, m³/s. */
  total: number;
  bypass: number;
  /** In supply and return, Pa against the room; in the supply more than in the return. */
  supplyPa: number;
  returnPa: number;
}

/** What is between supply and return, Pa. */
export const staticOf = ({ supplyPa, returnPa }: Pick<ZonedFlow, 'supplyPa' | 'returnPa'>): number =>
  supplyPa - returnPa;

/** A weight is wide open at so many times what it begins at; from memory. */
export const WEIGHT_SPAN = 0.5;

const resistance = ({ pa, flow }: Resistance): Part => ({ type: 'resistance', pa, flow });

/** The network with dampers and bypass as they stand. */
function networkOf({ fan, unit, back, zones, leastOpen, bypass }: ZonedAir, at: AirStanding): AirBranch[] {
  const round = bypass && roundDuct(bypass.diameterM, bypass.lengthM, bypass.roughnessM);
  return [
    {
      id: 'fan',
      from: 'return',
      to: 'supply',
      parts: [{ type: 'fan', curve: atSpeed(fanCurve(fan), at.speed) }, ...unit.map(resistance)],
    },
    { id: 'back', from: ROOM, to: 'return', parts: [resistance(back)] },
    ...zones.map(({ id, duct, grille, hand = 1, times = 1 }): AirBranch => ({
      id: `zone ${id}`,
      from: 'supply',
      to: ROOM,
      parts: [
        { type: 'damper', areaM2: duct.areaM2, open: Math.max(at.zones[id] ?? 1, leastOpen) },
        ...(hand < 1 ? [{ type: 'damper', areaM2: duct.areaM2, open: hand } as const] : []),
        { type: 'duct', duct, times },
        resistance({ ...grille, pa: grille.pa * times }),
      ],
    })),
    ...(round
      ? [
          {
            id: 'bypass',
            from: 'supply',
            to: 'return',
            parts: [
              { type: 'damper', areaM2: round.areaM2, open: at.bypass },
              { type: 'duct', duct: round },
            ],
          } satisfies AirBranch,
        ]
      : []),
  ];
}

/**
 * What flows with dampers and bypass as they stand.
 *
 * @throws RangeError when the fan's table rises, or a damper is open by less than 0 or more than 1.
 */
export function flowAt(air: ZonedAir, at: AirStanding): ZonedFlow {
  if (at.speed <= 0)
    return {
      zones: Object.fromEntries(air.zones.map(({ id }) => [id, 0])),
      total: 0,
      bypass: 0,
      supplyPa: 0,
      returnPa: 0,
    };
  const { flows, pressures } = solveAir({ branches: networkOf(air, at) });
  return {
    zones: Object.fromEntries(air.zones.map(({ id }) => [id, flows[`zone ${id}`]!])),
    total: flows.fan!,
    bypass: flows.bypass ?? 0,
    supplyPa: pressures.supply!,
    returnPa: pressures.return!,
  };
}

const MOST_STEPS = 60;
/** Near enough, Pa. */
const HELD_WITHIN = 1e-5;

/**
 * How far something opens that holds a pressure which falls as it opens: false position, the end that stays halved (Illinois).
 *
 * @param over - pascals above what it holds, by how far it is open; it falls all the way.
 */
export function openingThatHolds(over: (open: number) => number): number {
  let [low, high] = [0, 1];
  let [atLow, atHigh] = [over(0), 0];
  if (atLow <= 0) return 0;
  atHigh = over(1);
  if (atHigh >= 0) return 1;
  let side = 0;
  for (let step = 0; step < MOST_STEPS; step++) {
    const middle = (low * atHigh - high * atLow) / (atHigh - atLow);
    const at = over(middle);
    if (Math.abs(at) <= HELD_WITHIN || high - low < 1e-12) return middle;
    if (at > 0) {
      [low, atLow] = [middle, at];
      if (side === 1) atHigh /= 2;
      side = 1;
    } else {
      [high, atHigh] = [middle, at];
      if (side === -1) atLow /= 2;
      side = -1;
    }
  }
  return (low + high) / 2;
}

/** What a bypass lets the pressure rise to, open so far, Pa. */
export const heldBy = ({ kind, setPa }: Pick<Bypass, 'kind' | 'setPa'>, open: number): number =>
  setPa * (kind === 'barometric' ? 1 + WEIGHT_SPAN * open : 1);

/**
 * How much colder or warmer the supply air is than the room, K. What runs round through the bypass has been through the unit
 * already: T_s = T_room − Q/(ρ c q (1 − b)).
 *
 * @param watts - of cooling or heat. @throws RangeError when all of the air runs round.
 */
export function supplyDifference(
  { total, bypass }: Pick<ZonedFlow, 'total' | 'bypass'>,
  watts: number,
): number {
  const fresh = total - bypass;
  if (!(fresh > 0)) throw new RangeError('all of the air runs round through the bypass');
  return watts / (AIR_KG_M3 * AIR_J_KG_K * fresh);
}
