/** Limits quoted by the checks and the verdicts. */

/** Class 2 a.c. supply not inherently limited: NEC chapter 9 table 11(A), from memory. */
export const CLASS_2 = { maxVolts: 30, maxVoltAmperes: 100 } as const;

/**
 * A contactor or relay must operate between these fractions of its rated coil
 * voltage: industrial-control practice (NEMA ICS, IEC 60947-4-1), from memory.
 */
export const COIL_OPERATING_RANGE = { low: 0.85, high: 1.1 } as const;

/** Plan to use at most this share of a transformer's nameplate: common practice. */
export const PLANNED_TRANSFORMER_SHARE = 0.8;

/** Below this outdoor temperature cooling must not be run: common practice (50 °F). */
export const COLD_COOLING_LIMIT_C = 10;

/** Input resistance of a digital meter, ohms: high impedance as sold, and the low-impedance range. From memory. */
export const METER_OHMS = { 'high-z': 10e6, 'low-z': 3e3 } as const;
export type MeterKind = keyof typeof METER_OHMS;

/** Accuracy of a field multimeter on a.c. volts: share of reading plus volts. From memory. */
export const METER_ACCURACY = { share: 0.012, volts: 0.3 } as const;
