import type { LoopReading } from '../devices';
import type { Network, OperatingPoint } from '../network';
import { ampsThrough, directOf, directSupply, voltsOf } from '../network';
import type { Settled } from './world';

/** A supervised loop as its panel reads it now. */
export interface LoopView {
  device: string;
  reads: LoopReading;
  /** Direct current that the panel gives it, A. */
  amps: number;
}

export const readLoops = ({ devices }: Network, { point, world }: Settled): LoopView[] =>
  devices.flatMap(({ device, kind, branches }) =>
    kind.supervises
      ? [
          {
            device: device.id,
            reads: kind.supervises.reads(world.states[device.id]!),
            amps: ampsThrough(directOf(point), branches.get(kind.supervises.feed)!),
          },
        ]
      : [],
  );

/** Volts d.c. of a node against the negative side of the supply it conducts to; `undefined` where it conducts to none. */
export function directVolts(point: OperatingPoint): (node: number) => number | undefined {
  const negativeOf = directSupply(point);
  return (node) => {
    const negative = negativeOf(node);
    return negative === undefined ? undefined : voltsOf(directOf(point), node, negative);
  };
}
