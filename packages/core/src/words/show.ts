/** How quantities are written, in the person's units. */
import {
  M3S_PER_CFM,
  MM_PER_INCH,
  PA_PER_INCH_WATER,
  celsiusToFahrenheit,
  gaugeAreaMm2,
  metresToFeet,
} from '../standards';
import type { Units } from './units';

/** Volts as a meter's display gives them: one decimal under 100. */
export function showVolts(volts: number): string {
  if (volts < 0.05) return '0';
  return volts >= 99.95 ? volts.toFixed(0) : volts.toFixed(1);
}

/** A value and its unit with a scale a person reads at once. */
export function showQuantity(value: number, unit: 'V' | 'Ω' | 'A'): { figure: string; unit: string } {
  if (value === Infinity) return { figure: 'OL', unit };
  if (unit === 'V') return { figure: showVolts(value), unit };
  if (unit === 'A')
    return value < 1 ? { figure: (value * 1000).toFixed(0), unit: 'mA' } : { figure: value.toFixed(2), unit };
  if (value >= 1e6) return { figure: (value / 1e6).toFixed(2), unit: 'MΩ' };
  if (value >= 1000) return { figure: (value / 1000).toFixed(2), unit: 'kΩ' };
  return { figure: value.toFixed(value < 100 ? 1 : 0), unit };
}

export function showTemperature(celsius: number, unit: Units['temperature']): string {
  return unit === 'C' ? `${Math.round(celsius)} °C` : `${Math.round(celsiusToFahrenheit(celsius))} °F`;
}

/** A difference of temperatures; a kelvin is 1.8 °F. */
export const showDifference = (kelvin: number, unit: Units['temperature']): string =>
  unit === 'C' ? `${Math.round(kelvin)} K` : `${Math.round(kelvin * 1.8)} °F`;

export function showLength(metres: number, unit: Units['length']): string {
  const value = unit === 'm' ? metres : metresToFeet(metres);
  return `${value < 10 ? value.toFixed(1) : Math.round(value)} ${unit}`;
}

/** What is counted, in its number: "1 lead", "3 leads", "2 safeties". */
export const counted = (count: number, noun: string): string =>
  `${count} ${count === 1 ? noun : noun.endsWith('y') ? `${noun.slice(0, -1)}ies` : `${noun}s`}`;

/** Marks of a rule in inches. */
const SIXTEENTHS = 16;

/** How much is stripped: in millimetres, or in inches to the next mark of a rule. */
export function showStrip(mm: number, unit: Units['length']): string {
  if (unit === 'm') return `${mm} mm`;
  let [part, whole] = [Math.max(1, Math.round((mm / MM_PER_INCH) * SIXTEENTHS)), SIXTEENTHS];
  while (part % 2 === 0 && whole > 1) [part, whole] = [part / 2, whole / 2];
  return whole === 1 ? `${part} in.` : `${part}/${whole} in.`;
}

export function showGauge(gauge: number, unit: Units['gauge']): string {
  return unit === 'awg' ? `${gauge} AWG` : `${gaugeAreaMm2(gauge).toFixed(2)} mm²`;
}

/** Litres in a US gallon: 231 cubic inches of 25.4 mm, exact. */
const GALLON_LITRES = 3.785411784;

export function showVolume(litres: number, unit: Units['length']): string {
  const [value, name] = unit === 'm' ? [litres, 'l'] : [litres / GALLON_LITRES, 'gal'];
  return `${value.toFixed(value < 10 ? 1 : 0)} ${name}`;
}

/** Air that flows, in the unit that goes with a person's lengths. */
export const flowUnit = (unit: Units['length']): string => (unit === 'm' ? 'l/s' : 'cfm');
export const flowIn = (m3PerS: number, unit: Units['length']): number =>
  unit === 'm' ? m3PerS * 1000 : m3PerS / M3S_PER_CFM;
export const flowFrom = (given: number, unit: Units['length']): number =>
  unit === 'm' ? given / 1000 : given * M3S_PER_CFM;
export const showFlow = (m3PerS: number, unit: Units['length']): string =>
  `${Math.round(flowIn(m3PerS, unit))} ${flowUnit(unit)}`;

/** A pressure in ducts, in the unit that goes with a person's lengths. */
export const pressureUnit = (unit: Units['length']): string => (unit === 'm' ? 'Pa' : 'in. w.c.');
export const pressureIn = (pa: number, unit: Units['length']): number =>
  unit === 'm' ? pa : pa / PA_PER_INCH_WATER;
export const pressureFrom = (given: number, unit: Units['length']): number =>
  unit === 'm' ? given : given * PA_PER_INCH_WATER;
export const showPressure = (pa: number, unit: Units['length']): string =>
  `${pressureIn(pa, unit)
    .toFixed(unit === 'm' ? 0 : 2)
    .replace('-', '−')} ${pressureUnit(unit)}`;

const HOUR_S = 3600;

/** "3 min 20 s", "48 h" */
export function showDuration(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds));
  if (whole >= 2 * HOUR_S) return `${Math.round(whole / HOUR_S)} h`;
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  return [
    ...(minutes > 0 ? [`${minutes} min`] : []),
    ...(rest > 0 || minutes === 0 ? [`${rest} s`] : []),
  ].join(' ');
}

/** "14.6 A" */
export const showAmps = (amps: number): string => `${amps.toFixed(amps < 10 ? 1 : 0)} A`;
