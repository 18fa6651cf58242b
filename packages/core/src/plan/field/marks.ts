import type { ConductorFunction } from './functions';

/** Marks of a strip between thermostat and unit, by what a conductor does; the valve's is the strip's own. */
export const STRIP_MARKS = {
  hot: 'R',
  common: 'C',
  Y: 'Y',
  Y2: 'Y2',
  G: 'G',
  W: 'W',
  W2: 'W2',
} as const satisfies Readonly<Partial<Record<ConductorFunction, string>>>;
