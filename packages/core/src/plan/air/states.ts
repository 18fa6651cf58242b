/** What the air does for every combination of calling zones, what it breaks, and which bypass is right. */
import type { AirLimits, Bypass, WithoutBypass, ZonedAir, ZonedState } from '../../air';
import { sizeBypass, supplyDifference, withoutBypass, zonedStates } from '../../air';
import type { Circuit, Device } from '../../circuit';
import type { Conveyance } from '../../devices';
import { fill, kindOf } from '../../devices';
import { M3S_PER_CFM, ROUGHNESS_M, TON_W } from '../../standards';

/** Air a ton must have at least so that the coil does not freeze, cfm; common practice, 400 when all is well. */
const LEAST_CFM_PER_TON = 350;
/** Supply air under which a coil freezes in time, °C, at a room of so many; rule of thumb, from memory. */
const FREEZES_C = 5;
const ROOM_C = 24;
/** What is sensible of cooling; the rest takes water out of the air. From memory. */
const SENSIBLE = 0.75;

/** What goes wrong first, the gravest first. */
export type AirTrouble = 'frost' | 'hot' | 'starved' | 'loud' | 'rushes';

export interface AirState {
  state: ZonedState;
  /** Supply air against the room when it heats and when it cools, K; `null` where all of the air runs round. */
  warmerK: number | null;
  colderK: number | null;
  troubles: readonly AirTrouble[];
}

export interface AirPlan {
  conveyed: Conveyance;
  /** Least air through the unit, m³/s: for its coil, and for its heat. */
  leastFlow: number;
  /** As it is built; and with no bypass and dampers that shut. */
  asBuilt: readonly AirState[];
  without: readonly AirState[];
  bypass: Bypass | null;
  /** The smallest right bypass of either kind; and what helps without one. */
  powered: Bypass | null;
  barometric: Bypass | null;
  otherwise: WithoutBypass;
}

/** How a bypass that is not there yet would be built. */
const NEW_BYPASS = { lengthM: 4, roughnessM: ROUGHNESS_M.galvanised };

const ductsOf = ({ devices }: Circuit): Device | undefined =>
  devices.find(({ kind }) => kindOf(kind).conveys);

/** The ducts with the bypass as its damper is made and set. */
function builtAir({ devices }: Circuit, { air }: Conveyance): ZonedAir {
  const damper = devices.find(({ kind }) => kindOf(kind).relieves);
  if (!air.bypass || !damper) return { ...air, bypass: null };
  const kind = kindOf(damper.kind);
  const held = kind.relieves!(fill(kind.params, damper.params), fill(kind.settings, damper.settings));
  return { ...air, bypass: { ...air.bypass, ...held } };
}

const differenceK = (state: ZonedState, watts: number): number | null =>
  state.total - state.bypass > 1e-6 ? supplyDifference(state, watts) : null;

function judged(state: ZonedState, { coolW, heatW, mostRiseK, mostPa, mostMs }: Conveyance): AirState {
  const warmerK = heatW > 0 ? differenceK(state, heatW) : 0;
  const colderK = coolW > 0 ? differenceK(state, SENSIBLE * coolW) : 0;
  const least = (LEAST_CFM_PER_TON * M3S_PER_CFM * coolW) / TON_W;
  const troubles: AirTrouble[] = [
    ...(colderK === null || ROOM_C - colderK < FREEZES_C ? (['frost'] as const) : []),
    ...(warmerK === null || warmerK > mostRiseK ? (['hot'] as const) : []),
    ...(state.total < least ? (['starved'] as const) : []),
    ...(state.staticPa > mostPa ? (['loud'] as const) : []),
    ...(state.fastestMs > mostMs ? (['rushes'] as const) : []),
  ];
  return { state, warmerK, colderK, troubles };
}

/**
 * What the air of a circuit comes to; `null` where nothing stands for its ducts.
 *
 * @throws RangeError when the fan's table rises.
 */
export function planAir(circuit: Circuit): AirPlan | null {
  const ducts = ductsOf(circuit);
  if (!ducts) return null;
  const kind = kindOf(ducts.kind);
  const conveyed = kind.conveys!(fill(kind.params, ducts.params));
  const air = builtAir(circuit, conveyed);
  const bare: ZonedAir = { ...air, bypass: null };
  const of = (one: ZonedAir) => zonedStates(one, conveyed.speed).map((state) => judged(state, conveyed));
  const limits: AirLimits = {
    holds: (state) => judged(state, conveyed).troubles.length === 0,
    mostPa: conveyed.mostPa,
    speed: conveyed.speed,
  };
  const sized = (moved: Bypass['kind']) => sizeBypass(bare, limits, { ...NEW_BYPASS, kind: moved });
  return {
    conveyed,
    leastFlow: (LEAST_CFM_PER_TON * M3S_PER_CFM * conveyed.coolW) / TON_W,
    asBuilt: of(air),
    without: of({ ...bare, leastOpen: 0 }),
    bypass: air.bypass,
    powered: sized('powered'),
    barometric: sized('barometric'),
    otherwise: withoutBypass({ ...bare, leastOpen: 0 }, limits),
  };
}
