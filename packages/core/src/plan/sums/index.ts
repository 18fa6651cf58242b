/** The sums of a circuit: how its transformers are loaded, where volts are lost, what opens on a short. */
import type { Circuit } from '../../circuit';
import type { Violation } from '../../prove';
import type { Drop } from './drop';
import { voltageDrops } from './drop';
import type { FuseSum } from './fuse';
import { fuseSums, unprotectedHots } from './fuse';
import type { TransformerLoad } from './load';
import { transformerLoads } from './load';

export { CONTROL_GAUGES, voltageDrops } from './drop';
export type { Drop, WayPoint } from './drop';
export { advisedFuse, fuseSums, opensFrom, unprotectedHots } from './fuse';
export type { FuseSum, ShortAt } from './fuse';
export { inrushPoint, transformerLoads } from './load';
export type { Burden, Primary, TransformerLoad } from './load';
export { LOW_MAINS, workingStates } from './states';

export interface Sums {
  loads: readonly TransformerLoad[];
  drops: readonly Drop[];
  fuses: readonly FuseSum[];
  /** Hots that leave their transformer with nothing that opens. */
  unprotected: readonly Violation<'protected'>[];
}

/** All of them, the conductors at a temperature in °C. */
export const sumsOf = (circuit: Circuit, copperC: number): Sums => ({
  loads: transformerLoads(circuit),
  drops: voltageDrops(circuit, copperC),
  fuses: fuseSums(circuit),
  unprotected: unprotectedHots(circuit),
});
