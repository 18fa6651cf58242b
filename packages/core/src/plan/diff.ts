/** What differs between a circuit as it is and as it shall be, end by end. */
import type { Cable, Circuit, Conductor, Device, End, Link, TerminalId } from '../circuit';
import { ENDS, findDevice, splitTerminal } from '../circuit';
import { fill, kindOf } from '../devices';

export interface EndChange {
  cable: Cable;
  conductor: Conductor;
  end: End;
  from: TerminalId | null;
  to: TerminalId | null;
}

export interface ValueChange {
  device: Device;
  group: 'params' | 'settings';
  name: string;
  value: number | string;
}

export interface Difference {
  /** Ends that come off, go on or move, of conductors there before and after. */
  ends: readonly EndChange[];
  /** Whole cables that come or go. */
  added: readonly Cable[];
  removed: readonly Cable[];
  devicesAdded: readonly Device[];
  devicesRemoved: readonly Device[];
  /** Devices there before and after that are at another place then, as they are then. */
  devicesMoved: readonly Device[];
  linksAdded: readonly Link[];
  linksRemoved: readonly Link[];
  /** Values of devices there before and after. */
  values: readonly ValueChange[];
}

const byId = <T extends { id: string }>(list: readonly T[]) =>
  new Map(list.map((entry) => [entry.id, entry]));
const missing = <T extends { id: string }>(list: readonly T[], other: readonly T[]) => {
  const known = byId(other);
  return list.filter(({ id }) => !known.has(id));
};

/** Compares two circuits of one job. */
export function differenceOf(before: Circuit, after: Circuit): Difference {
  const cables = byId(after.cables);
  const ends = before.cables.flatMap((cable) => {
    const then = cables.get(cable.id);
    return then
      ? then.conductors.flatMap((conductor) => {
          const was = cable.conductors.find(({ id }) => id === conductor.id);
          return ENDS.flatMap((end): EndChange[] => {
            const from = was?.[end] ?? null;
            const to = conductor[end];
            return from === to ? [] : [{ cable: then, conductor, end, from, to }];
          });
        })
      : [];
  });
  const values = after.devices.flatMap((device) => {
    const was = findDevice(before, device.id);
    if (!was) return [];
    return (['params', 'settings'] as const).flatMap((group) => {
      const fields = kindOf(device.kind)[group];
      const [then, now] = [fill(fields, was[group]), fill(fields, device[group])];
      return Object.keys(fields).flatMap((name): ValueChange[] =>
        then[name] === now[name] ? [] : [{ device, group, name, value: now[name]! }],
      );
    });
  });
  return {
    ends,
    added: missing(after.cables, before.cables),
    removed: missing(before.cables, after.cables),
    devicesAdded: missing(after.devices, before.devices),
    devicesRemoved: missing(before.devices, after.devices),
    devicesMoved: after.devices.filter(
      ({ id, station }) => (findDevice(before, id)?.station ?? station) !== station,
    ),
    linksAdded: missing(after.links, before.links),
    linksRemoved: missing(before.links, after.links),
    values,
  };
}

/** The station an end is worked on at: where its terminal is, or the conductor's other landings at that end. */
export function stationOfEnd(
  circuit: Circuit,
  cable: Cable,
  end: End,
  terminal: TerminalId | null,
): string | null {
  const landed = terminal ?? cable.conductors.find((conductor) => conductor[end] !== null)?.[end] ?? null;
  return landed === null ? null : (findDevice(circuit, splitTerminal(landed).deviceId)?.station ?? null);
}
