/** Units of the trade at the edges; everything inside is SI. */

export const METRES_PER_FOOT = 0.3048;

export const metresToFeet = (metres: number): number => metres / METRES_PER_FOOT;
export const feetToMetres = (feet: number): number => feet * METRES_PER_FOOT;

export function celsiusToFahrenheit(celsius: number): number {
  return (celsius * 9) / 5 + 32;
}

export function fahrenheitToCelsius(fahrenheit: number): number {
  return ((fahrenheit - 32) * 5) / 9;
}
