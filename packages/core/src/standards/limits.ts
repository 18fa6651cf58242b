/** Limits quoted by the checks and the verdicts. */

/** Class 2 a.c. supply not inherently limited: NEC chapter 9 table 11(A), from memory. */
export const CLASS_2 = { maxVolts: 30, maxVoltAmperes: 100 } as const;

/**
 * A contactor or relay must operate between these fractions of its rated coil
 * voltage: industrial-control practice (NEMA ICS, IEC 60947-4-1), from memory.
 */
export const COIL_OPERATING_RANGE = { low: 0.85, high: 1.1 } as const;

/** Resistance of a dead short itself, Ω, from memory. */
export const SHORT_OHMS = 0.05;

/** Plan to use at most this share of a transformer's nameplate: common practice. */
export const PLANNED_TRANSFORMER_SHARE = 0.8;

/** Transformer sizes in the trade, VA, from memory. */
export const TRANSFORMER_SIZES = [20, 40, 50, 75, 100] as const;

/** Blade fuses as they are made, A: ISO 8820-3, from memory. */
export const BLADE_FUSES = [1, 2, 3, 4, 5, 7.5, 10, 15, 20] as const;

/**
 * Secondary protection of a small transformer, share of its rated secondary current: NEC table 450.3(B) for
 * less than 9 A, from memory.
 */
export const SECONDARY_FUSE_SHARE = 1.67;

/**
 * Seconds a small transformer stands a multiple of its rated current: t = 1250 / n², the thermal limit
 * of the through-fault curves (IEEE C57.109 category I), from memory.
 */
export const transformerStands = (multiple: number): number =>
  multiple <= 1 ? Infinity : 1250 / multiple ** 2;

/** Below this outdoor temperature cooling must not be run: common practice (50 °F). */
export const COLD_COOLING_LIMIT_C = 10;

/** Above this outdoor temperature nobody heats; a call for heat is a test or a mistake: common practice (75 °F). */
export const WARM_HEATING_LIMIT_C = 24;

/** Input resistance of a digital meter, ohms: high impedance as sold, and the low-impedance range. From memory. */
export const METER_OHMS = { 'high-z': 10e6, 'low-z': 3e3 } as const;
export type MeterKind = keyof typeof METER_OHMS;

/** Accuracy of a field multimeter on a.c. volts: share of reading plus volts. From memory. */
export const METER_ACCURACY = { share: 0.012, volts: 0.3 } as const;

/**
 * Where a case that a hand touches begins to be dangerous, V: conventional touch-voltage limit of IEC 60364-4-41, a.c., from
 * memory.
 */
export const TOUCH_VOLTS = 50;

/** More than this between hot and common is not dead, V: a meter's own noise and coupling stay below, from memory. */
export const DEAD_VOLTS = 1;
