import type { Load } from '../devices';
import type { Network, Point } from '../network';
import { ampsThrough, phasor } from '../network';

/** A load of the circuit as it stands. */
export interface LoadReading extends Load {
  device: string;
  branch: number;
  volts: number;
  amps: number;
  /** It has enough across it to do something. */
  energised: boolean;
}

/** Volts across a load below which it does nothing a person would notice. */
const IDLE_VOLTS = 8;

/** Every load with its volts and amperes. */
export function readLoads(network: Network, point: Point): LoadReading[] {
  return network.devices.flatMap(({ device, kind, context, branches }) =>
    kind.loads(context).map((load) => {
      const branch = branches.get(load.element)!;
      const [a, b] = network.branches[branch]!.nodes as [number, number];
      const { re, im } = phasor(point, a, b);
      const volts = Math.hypot(re, im);
      const amps = ampsThrough(point, branch);
      return { ...load, device: device.id, branch, volts, amps, energised: volts >= IDLE_VOLTS && amps > 0 };
    }),
  );
}

/** How hard a transformer is working. */
export interface TransformerReading {
  device: string;
  volts: number;
  amps: number;
  /** Volt-amperes drawn, over the nameplate. */
  share: number;
}

export function readTransformers(network: Network, point: Point): TransformerReading[] {
  return network.devices.flatMap(({ device, kind, context, branches }) => {
    const branch = branches.get('secondary');
    const va = context.params.va;
    if (kind.kind !== 'control-transformer' || branch === undefined || typeof va !== 'number') return [];
    const [hot, common] = network.branches[branch]!.nodes as [number, number];
    const { re, im } = phasor(point, hot, common);
    const volts = Math.hypot(re, im);
    const amps = ampsThrough(point, branch);
    return [{ device: device.id, volts, amps, share: (volts * amps) / va }];
  });
}
