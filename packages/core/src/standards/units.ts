/** Units of the trade at the edges; everything inside is SI. */

export const METRES_PER_FOOT = 0.3048;
export const MM_PER_INCH = 25.4;

export const metresToFeet = (metres: number): number => metres / METRES_PER_FOOT;

export const feetToMetres = (feet: number): number => feet * METRES_PER_FOOT;

export function celsiusToFahrenheit(celsius: number): number {
  return (celsius * 9) / 5 + 32;
}

export function fahrenheitToCelsius(fahrenheit: number): number {
  return ((fahrenheit - 32) * 5) / 9;
}

/** Absolute zero, °C: SI Brochure, 9th edition, 2.3.1. */
const ABSOLUTE_ZERO_C = -273.15;

export const celsiusToKelvin = (celsius: number): number => celsius - ABSOLUTE_ZERO_C;

/** A difference in kelvin as a difference in °F. */
export const kelvinToFahrenheitStep = (kelvin: number): number => (kelvin * 9) / 5;

/** A share as a whole percentage, the way a nameplate's load is quoted. */
export const percent = (share: number): number => Math.round(share * 100);
