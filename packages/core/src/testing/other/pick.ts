/** What there is in a circuit to be faulty. */
import type { Cable, Circuit, Conductor, Device, End, TerminalId } from '../../circuit';
import { ENDS, designationAt, designationsOf, findDevice, splitTerminal } from '../../circuit';
import type { Context, TerminalRole } from '../../devices';
import { fill, kindOf } from '../../devices';

/** Uniform in [0, 1). */
export type Random = () => number;

export const pickOf = <T>(random: Random, all: readonly T[]): T | undefined =>
  all[Math.floor(random() * all.length)];

/** Evenly spread over decades. */
export const between = (random: Random, least: number, most: number): number =>
  least * (most / least) ** random();

const LINE: ReadonlySet<TerminalRole> = new Set(['line', 'neutral', 'earth', 'winding']);

const isControl = (circuit: Circuit, terminal: TerminalId): boolean => {
  const found = designationAt(circuit, terminal);
  return found !== undefined && !LINE.has(found.role);
};

export const deviceOf = (terminal: TerminalId): string => splitTerminal(terminal).deviceId;

export const stationOf = (circuit: Circuit, terminal: TerminalId): string =>
  findDevice(circuit, deviceOf(terminal))!.station;

export interface Run {
  cable: Cable;
  conductor: Conductor & { from: TerminalId; to: TerminalId };
}

/** Conductors of the control side that are landed at both ends. */
export const runsOf = (circuit: Circuit): Run[] =>
  circuit.cables.flatMap((cable) =>
    cable.conductors.flatMap((conductor): Run[] => {
      const { from, to } = conductor;
      if (from === null || to === null || !isControl(circuit, from) || !isControl(circuit, to)) return [];
      return [{ cable, conductor: { ...conductor, from, to } }];
    }),
  );

/** Those between two places: pulled and landed on site. */
export const fieldRunsOf = (circuit: Circuit): Run[] =>
  runsOf(circuit).filter(
    ({ conductor: { from, to } }) => stationOf(circuit, from) !== stationOf(circuit, to),
  );

export interface LandedAt {
  conductor: string;
  end: End;
  terminal: TerminalId;
}

/** Ends of field conductors, by the device they are landed on. */
export function blocksOf(circuit: Circuit): Map<string, LandedAt[]> {
  const by = new Map<string, LandedAt[]>();
  for (const { conductor } of fieldRunsOf(circuit))
    for (const end of ENDS) {
      const terminal = conductor[end];
      const at = by.get(deviceOf(terminal)) ?? [];
      by.set(deviceOf(terminal), at);
      at.push({ conductor: conductor.id, end, terminal });
    }
  return by;
}

/** A device's terminals of the control side, in their order. */
export const controlTerminals = (circuit: Circuit, device: Device): TerminalId[] =>
  designationsOf(device)
    .map(({ mark }) => `${device.id}.${mark}`)
    .filter((terminal) => isControl(circuit, terminal));

export const contextIn = ({ mains }: Circuit, { kind, params, settings }: Device): Context => ({
  params: fill(kindOf(kind).params, params),
  settings: fill(kindOf(kind).settings, settings),
  mains,
});
