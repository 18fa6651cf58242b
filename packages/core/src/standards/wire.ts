/**
 * Copper wire by American Wire Gauge.
 *
 * Diameter follows ASTM B258 (a geometric series: 0.127 mm × 92^((36 − n)/39));
 * resistivity and its temperature coefficient are those of annealed copper in
 * IEC 60028 (1/58 Ω·mm²/m at 20 °C, 0.00393 per kelvin).
 */

/** Ω·mm²/m at 20 °C, IEC 60028. */
export const COPPER_RESISTIVITY = 1 / 58;
/** Per kelvin at 20 °C, IEC 60028. */
export const COPPER_TEMPERATURE_COEFFICIENT = 0.00393;

/** Gauges met on control and branch circuits, thickest first. */
export const GAUGES = [8, 10, 12, 14, 16, 18, 20, 22] as const;
export type Gauge = (typeof GAUGES)[number];

/** Diameter of a solid conductor in millimetres (ASTM B258). */
export function gaugeDiameterMm(gauge: number): number {
  return 0.127 * 92 ** ((36 - gauge) / 39);
}

/** Cross-section of a solid conductor in square millimetres. */
export function gaugeAreaMm2(gauge: number): number {
  return (Math.PI / 4) * gaugeDiameterMm(gauge) ** 2;
}

/** Ohms per metre of a solid copper conductor at a temperature in °C. */
export function ohmsPerMetre(gauge: number, celsius = 20): number {
  const resistivity = COPPER_RESISTIVITY * (1 + COPPER_TEMPERATURE_COEFFICIENT * (celsius - 20));
  return resistivity / gaugeAreaMm2(gauge);
}

/**
 * Capacitance between any two conductors in one jacket, farads per metre.
 * From memory: thermostat cable measures roughly 50–100 pF/m between neighbours.
 */
export const JACKET_FARADS_PER_METRE = 60e-12;

/** Capacitance of a conductor to earthed surroundings, farads per metre, from memory. */
export const EARTH_FARADS_PER_METRE = 15e-12;
