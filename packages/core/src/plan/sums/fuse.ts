/** Whether the low-voltage fuse opens before the transformer suffers, wherever along a run a short is. */
import type { Cable, Circuit } from '../../circuit';
import { ENDS, findDevice, otherEnd } from '../../circuit';
import { BLADE_HOLDS, fill, kindOf } from '../../devices';
import type { Network, OperatingPoint } from '../../network';
import { ampsThrough, bridgeChange, makeBase, solveChanged, classifyNodes } from '../../network';
import {
  BLADE_FUSES,
  SHORT_OHMS,
  SECONDARY_FUSE_SHARE,
  ohmsPerMetre,
  transformerStands,
} from '../../standards';
import type { Violation } from '../../prove';
import { fieldConductors, judgeStructure } from '../../prove';
import { workingStates } from './states';

/** A short between two conductors so far along a run. */
export interface ShortAt {
  metres: number;
  /** Through the fuse. */
  amps: number;
  /** Seconds until the fuse opens, and that the transformer stands it. `Infinity` for never, or for good. */
  opens: number;
  stands: number;
}

export interface FuseSum {
  device: string;
  label: string;
  rating: number;
  /** Amperes below which it never opens. */
  holds: number;
  /** The size that fits the transformer behind it. */
  advised: number;
  transformer: string;
  runs: readonly {
    cable: string;
    label: string;
    lengthM: number;
    shorts: readonly ShortAt[];
    /** The fuse opens in time along the whole run. */
    covered: boolean;
  }[];
}

const STEPS = 12;

/** The blade that fits: of those made, the nearest to what the transformer may be protected at. */
export function advisedFuse(ratedAmps: number): number {
  const wanted = SECONDARY_FUSE_SHARE * ratedAmps;
  return BLADE_FUSES.reduce((best, rating) =>
    Math.abs(Math.log(rating / wanted)) < Math.abs(Math.log(best / wanted)) ? rating : best,
  );
}

/** Runs that carry this hot, with the point they are fed at. */
function hotRuns(circuit: Circuit, network: Network, point: OperatingPoint, common: number) {
  const { standing, reference } = classifyNodes(point);
  const runs = new Map<string, { cable: Cable; feed: number }>();
  for (const { cable, conductor } of fieldConductors(circuit))
    for (const end of ENDS) {
      const node = network.indexOf(conductor[end]!);
      const hot = standing[node] === 'hot' && reference[node] === common;
      // Fed from the end at the unit, not from the thermostat's screw.
      const far = conductor[otherEnd(end)]!;
      const fromUnit = kindOf(findDevice(circuit, far.split('.')[0]!)!.kind).asks !== undefined;
      if (hot && fromUnit && !runs.has(cable.id)) runs.set(cable.id, { cable, feed: node });
    }
  return [...runs.values()];
}

/** What every low-voltage fuse does about shorts along the runs it feeds. */
export function fuseSums(circuit: Circuit): FuseSum[] {
  const { network, states } = workingStates(circuit);
  const { point } = states[0]!.settled;
  const base = makeBase(network, point.choice);
  const { reference } = classifyNodes(point);
  return network.devices.flatMap(({ device, kind, context, branches }): FuseSum[] => {
    const { element, fitted, opensIn } = kind.protects ?? {};
    const link = element === undefined ? undefined : branches.get(element);
    if (link === undefined || fitted === undefined || !opensIn) return [];
    const common = reference[network.branches[link]!.nodes[0]!]!;
    const secondary = network.secondaries.find((entry) => entry.common === common);
    const transformer = secondary && findDevice(circuit, secondary.device);
    if (!secondary || !transformer) return [];
    const values = fill(kindOf(transformer.kind).params, transformer.params);
    const ratedAmps = Number(values.va) / Number(values.ratedVolts);
    const rating = Number(context.params[fitted]);
    const at = (cable: Cable, feed: number, metres: number): ShortAt => {
      const ohms = SHORT_OHMS + 2 * ohmsPerMetre(cable.gauge) * metres;
      const changed = solveChanged(base, [bridgeChange(feed, common, ohms)]);
      const amps = ampsThrough({ ...point, ...changed }, link);
      return {
        metres,
        amps,
        opens: opensIn(amps, context.params),
        stands: transformerStands(amps / ratedAmps),
      };
    };
    return [
      {
        device: device.id,
        label: device.label,
        rating,
        holds: opensFrom(rating),
        advised: advisedFuse(ratedAmps),
        transformer: transformer.label,
        runs: hotRuns(circuit, network, point, common).map(({ cable, feed }) => {
          const shorts = Array.from({ length: STEPS + 1 }, (_, i) =>
            at(cable, feed, (cable.lengthM * i) / STEPS),
          );
          return {
            cable: cable.id,
            label: cable.label,
            lengthM: cable.lengthM,
            shorts,
            covered: shorts.every(({ opens, stands }) => opens < stands),
          };
        }),
      },
    ];
  });
}

/** Hots that leave their transformer's compartment with nothing that opens. */
export function unprotectedHots(circuit: Circuit): Violation<'protected'>[] {
  const { network, states } = workingStates(circuit);
  return judgeStructure(
    network,
    states[0]!.settled.point,
    states.map(({ settled }) => settled.point.choice),
  ).filter((found) => found.property === 'protected');
}

/** Amperes from which a blade fuse opens at all. */
export const opensFrom = (rating: number): number => BLADE_HOLDS * rating;
