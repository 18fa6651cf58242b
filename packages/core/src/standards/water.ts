/** How much water a coil and a condensing appliance make, and how deep it stands. SI; litres for water (1 kg each). */

/** Heat of vaporisation of water at 20 °C, J/kg: steam tables. */
export const VAPORISATION_J_KG = 2.453e6;
/** Share of a coil's cooling that condenses water, in a humid summer; common practice: a quarter. */
const LATENT_SHARE = 0.25;
/** Heat of combustion of methane with its water condensed, J/mol, and molar mass of water, kg/mol: handbook of chemistry. */
const METHANE_J_MOL = 890.4e3;
const WATER_KG_MOL = 0.018015;
/** CH₄ + 2 O₂ → CO₂ + 2 H₂O. */
const WATER_PER_METHANE = 2;
/** Share of the flue gas's water that condenses in the exchanger; from memory. */
const CONDENSED_SHARE = 0.6;

/** Water a coil takes out of the air while it cools by so many watts, l/s. */
export const coolingWater = (watts: number): number => (watts * LATENT_SHARE) / VAPORISATION_J_KG;

/** Water that leaves a condensing appliance fired with so many watts, l/s. */
export const flueWater = (watts: number): number =>
  (watts / METHANE_J_MOL) * WATER_PER_METHANE * WATER_KG_MOL * CONDENSED_SHARE;

/** A rectangular pan, out of level along one side. */
export interface PanShape {
  areaM2: number;
  /** How much higher its floor lies at one end than at the other, mm. */
  tiltMm: number;
}

/** Water in a pan that is so deep at its lowest edge, l: a wedge until it covers the floor. */
export function litresAt({ areaM2, tiltMm }: PanShape, depthMm: number): number {
  const depth = Math.max(0, depthMm);
  return depth < tiltMm ? (areaM2 * depth ** 2) / (2 * tiltMm) : areaM2 * (depth - tiltMm / 2);
}

/** Depth at the lowest edge of a pan that holds so much, mm. */
export function depthOf({ areaM2, tiltMm }: PanShape, litres: number): number {
  const covered = (areaM2 * tiltMm) / 2;
  return litres < covered ? Math.sqrt((2 * litres * tiltMm) / areaM2) : litres / areaM2 + tiltMm / 2;
}
