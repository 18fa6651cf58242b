/** Numbers of devices in a person's own units: shown so, read so, kept in the unit their field says. */
import type { Field, NumberField, Value } from '../devices';
import { complaint, said } from '../devices';
import { METRES_PER_FOOT, MM_PER_INCH, M3S_PER_CFM, PA_PER_INCH_WATER } from '../standards';
import { showDuration } from './show';
import type { Units } from './units';

interface Habit {
  unit: string;
  /** How many of it one of the field's own are, and what it reads where that reads 0. */
  each: number;
  zero?: number;
}

/** By the unit a field is kept in, what it is in the other habit, and which of a person's choices says so. */
const OTHERS: Readonly<Record<string, Habit & { by: 'temperature' | 'length' }>> = {
  '°C': { unit: '°F', each: 1.8, zero: 32, by: 'temperature' },
  K: { unit: '°F', each: 1.8, by: 'temperature' },
  m: { unit: 'ft', each: 1 / METRES_PER_FOOT, by: 'length' },
  mm: { unit: 'in.', each: 1 / MM_PER_INCH, by: 'length' },
  'cm²': { unit: 'in.²', each: 100 / MM_PER_INCH ** 2, by: 'length' },
  Pa: { unit: 'in. w.c.', each: 1 / PA_PER_INCH_WATER, by: 'length' },
  'l/s': { unit: 'cfm', each: 0.001 / M3S_PER_CFM, by: 'length' },
  'm/s': { unit: 'ft/min', each: 60 / METRES_PER_FOOT, by: 'length' },
};

function habitOf({ unit }: NumberField, units: Units): Habit {
  const other = OTHERS[unit];
  const isOther = other && (other.by === 'temperature' ? units.temperature === 'F' : units.length === 'ft');
  return isOther ? other : { unit, each: 1 };
}

/** Three figures, and no more than a person types: 0.442, 8.86, 1210. */
const rounded = (value: number): number => {
  if (value === 0 || !Number.isFinite(value)) return value;
  const places = Math.max(0, 2 - Math.floor(Math.log10(Math.abs(value))));
  return Number(value.toFixed(Math.min(6, places)));
};

const shownIn = ({ each, zero = 0 }: Habit, value: number): number =>
  each === 1 ? value : rounded(value * each + zero);

/** A field as it is asked for: its unit, default and limits in a person's units. */
export function fieldIn(field: NumberField, units: Units): NumberField {
  const habit = habitOf(field, units);
  const [low, high] = [shownIn(habit, field.min), shownIn(habit, field.max)];
  return { ...field, unit: habit.unit, default: shownIn(habit, field.default), min: low, max: high };
}

/** A field's value as it is shown. */
export const valueIn = (field: NumberField, value: number, units: Units): number =>
  shownIn(habitOf(field, units), value);

/**
 * What a person typed for a field, in the field's own unit; or what would be valid. A unit behind the figure is believed:
 * the field's own, or the other habit's. A comma is a decimal point.
 */
export function readValue(
  field: NumberField,
  text: string,
  units: Units,
): { value: number } | { problem: string } {
  const shown = fieldIn(field, units);
  const [, figure = '', named = ''] = /^\s*(-?[\d.,]*)\s*(.*?)\s*$/.exec(text) ?? [];
  const typed = figure === '' ? NaN : Number(figure.replace(',', '.'));
  const other = OTHERS[field.unit];
  const means = (unit: string | undefined) =>
    unit !== undefined && named.replace(/\.$/, '').toLowerCase() === unit.replace(/\.$/, '').toLowerCase();
  const habit: Habit | undefined =
    named === '' || means(shown.unit)
      ? habitOf(field, units)
      : means(field.unit)
        ? { unit: field.unit, each: 1 }
        : means(other?.unit)
          ? other
          : undefined;
  const value = habit ? (typed - (habit.zero ?? 0)) / habit.each : NaN;
  // A limit as it is shown is rounded: it is the limit.
  const near = (limit: number) => Math.abs(value - limit) <= 5e-3 * Math.abs(limit);
  const held =
    near(field.min) && value < field.min
      ? field.min
      : near(field.max) && value > field.max
        ? field.max
        : value;
  return complaint(field, held) === undefined
    ? { value: Number(held.toPrecision(9)) }
    : { problem: complaint(shown, NaN)! };
}

/** A value with its unit, for a line of a history. */
export const fieldValueText = (field: Field, value: Value, units: Units): string =>
  field.type === 'number' && typeof value === 'number'
    ? `${valueIn(field, value, units)} ${habitOf(field, units).unit}`.trim()
    : String(value);

/** A value as a person reads it: a choice by its name, seconds as minutes and hours, the rest in their own units. */
export function valueText(field: Field, value: Value, units: Units): string {
  if (field.type !== 'number' || typeof value !== 'number') return said(field, value);
  return field.unit === 's' ? showDuration(value) : fieldValueText(field, value, units);
}
