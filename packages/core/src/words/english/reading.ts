/** A reading, and what was expected of it with the limits it agrees in. */
import type { Unit } from '../../behaviour';
import { expectedRange } from '../../behaviour';
import { showQuantity } from '../show';

/** "26.2 V"; `null` stands for no limit: an open circuit in ohms. */
export function figureText(value: number | null, unit: Unit): string {
  const shown = showQuantity(value ?? Infinity, unit);
  return `${shown.figure} ${shown.unit}`;
}

/** "26.2 V (24.1 V to 28.3 V)" */
export function expectedFigureText(value: number | null, unit: Unit): string {
  if (value === null || !Number.isFinite(value)) return figureText(value, unit);
  const { low, high } = expectedRange(value, unit);
  return `${figureText(value, unit)} (${figureText(low, unit)} to ${figureText(high, unit)})`;
}
