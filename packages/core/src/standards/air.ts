/** Air in ducts: its constants, how rough ducts are, and the units of the trade. */

/** Dry air at 20 °C and 101.325 kPa: ideal gas, 287.05 J/(kg·K) (ISO 2533). kg/m³. */
export const AIR_KG_M3 = 101_325 / (287.05 * 293.15);

/** Dynamic viscosity at 20 °C, Pa·s: Sutherland's formula with the constants of the US Standard Atmosphere 1976. */
export const AIR_PA_S = (1.458e-6 * 293.15 ** 1.5) / (293.15 + 110.4);

/** Specific heat at constant pressure, J/(kg·K): 7/2 R of a diatomic gas. */
export const AIR_J_KG_K = 3.5 * 287.05;

/** Roughness inside, m: handbook values, quoted from memory. Flexible duct is taken fully stretched. */
export const ROUGHNESS_M = {
  galvanised: 0.09e-3,
  lined: 0.9e-3,
  flexible: 1.8e-3,
  smooth: 0.03e-3,
} as const;
export type DuctSurface = keyof typeof ROUGHNESS_M;

/** An inch of water at 4 °C, Pa: NIST SP 811, appendix B. */
export const PA_PER_INCH_WATER = 249.082;

/** m³/s in a cubic foot a minute, exact. */
export const M3S_PER_CFM = 0.3048 ** 3 / 60;

/** A ton of cooling, W: 12 000 Btu/h, with the Btu of ISO 31-4. */
export const TON_W = (12_000 * 1055.06) / 3600;
