/** Pressure that air loses in a duct: Darcy–Weisbach, with the friction factor of Colebrook and White. */
import { AIR_KG_M3, AIR_PA_S } from '../standards';

/** Below this flow is laminar; from there to the other it turns, and the factor is taken in between. */
const LAMINAR = 2000;
const TURBULENT = 4000;

/**
 * Colebrook–White: 1/√f = −2 log₁₀(ε/3.7 + 2.51/(Re √f)), solved for x = 1/√f by Newton's method.
 *
 * @param reynolds - above the laminar range.
 * @param relative - roughness over diameter.
 */
function turbulent(reynolds: number, relative: number): number {
  const [rough, viscous] = [relative / 3.7, 2.51 / reynolds];
  // Swamee and Jain's explicit approximation is within 1 % to begin with.
  let x = -2 * Math.log10(rough + 5.74 / reynolds ** 0.9);
  for (let step = 0; step < 20; step++) {
    const inside = rough + viscous * x;
    const miss = x + 2 * Math.log10(inside);
    const change = miss / (1 + (2 * viscous) / (Math.LN10 * inside));
    x -= change;
    if (Math.abs(change) < 1e-12) break;
  }
  return 1 / x ** 2;
}

/**
 * Darcy's friction factor.
 *
 * @param reynolds - positive.
 * @param relative - roughness over diameter, 0 for smooth.
 * @throws RangeError when either is out of range.
 */
export function frictionFactor(reynolds: number, relative: number): number {
  if (!(reynolds > 0) || !(relative >= 0 && relative <= 0.1))
    throw new RangeError('the Reynolds number must be positive, the relative roughness from 0 to 0.1');
  if (reynolds <= LAMINAR) return 64 / reynolds;
  if (reynolds >= TURBULENT) return turbulent(reynolds, relative);
  const share = (reynolds - LAMINAR) / (TURBULENT - LAMINAR);
  return (1 - share) * (64 / LAMINAR) + share * turbulent(TURBULENT, relative);
}

/** A straight length with its fittings; a rectangle goes by its hydraulic diameter and its own area. */
export interface Duct {
  diameterM: number;
  areaM2: number;
  lengthM: number;
  roughnessM: number;
  /** Loss coefficients of its fittings together, of the velocity in it. */
  fittings: number;
}

export const roundDuct = (diameterM: number, lengthM: number, roughnessM: number, fittings = 0): Duct => ({
  diameterM,
  areaM2: (Math.PI * diameterM ** 2) / 4,
  lengthM,
  roughnessM,
  fittings,
});

/** Hydraulic diameter 4A/P. */
export const rectangularDuct = (
  [a, b]: readonly [number, number],
  lengthM: number,
  roughnessM: number,
  fittings = 0,
): Duct => ({ diameterM: (2 * a * b) / (a + b), areaM2: a * b, lengthM, roughnessM, fittings });

/** Pressure lost at a flow, and how it grows with it: Pa and Pa/(m³/s). Odd in the flow. */
export interface Loss {
  pa: number;
  slope: number;
}

/** Flow under which a loss is taken as linear, m³/s: its slope must not vanish. */
const LEAST_FLOW = 1e-6;

/** What a loss coefficient takes of the velocity in an area. */
export function dynamicLoss(coefficient: number, areaM2: number, flow: number): Loss {
  const scale = (coefficient * AIR_KG_M3) / (2 * areaM2 ** 2);
  const size = Math.max(Math.abs(flow), LEAST_FLOW);
  return { pa: scale * size * flow, slope: Math.abs(flow) > LEAST_FLOW ? 2 * scale * size : scale * size };
}

/** What a duct takes. */
export function ductLoss({ diameterM, areaM2, lengthM, roughnessM, fittings }: Duct, flow: number): Loss {
  const at = (q: number) => {
    const speed = Math.max(Math.abs(q), LEAST_FLOW) / areaM2;
    const factor = frictionFactor((AIR_KG_M3 * speed * diameterM) / AIR_PA_S, roughnessM / diameterM);
    return dynamicLoss((factor * lengthM) / diameterM + fittings, areaM2, q).pa;
  };
  const pa = at(flow);
  // The factor changes with the flow too: by difference, on the outer side.
  const step = Math.max(Math.abs(flow) * 1e-4, LEAST_FLOW);
  return { pa, slope: (at(flow + step) - at(flow - step)) / (2 * step) };
}
