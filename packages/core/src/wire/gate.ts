/** The power-off gate: what must be opened, and where the reading is taken that proves it dead. */
import type { Circuit, Device, TerminalId } from '../circuit';
import { findDevice, landedOn, otherEnd, splitTerminal } from '../circuit';
import { elementsOf, fill, kindOf } from '../devices';
import { compile } from '../network';

/** More than this between hot and common is not dead, V: a meter's own noise and coupling stay below, from memory. */
export const DEAD_VOLTS = 1;

/**
 * Handles where a circuit's power comes in. One further on leaves its own feed live, so it is none of them.
 */
const handlesOf = ({ devices, mains }: Circuit): Device[] =>
  devices.filter(
    (device) =>
      kindOf(device.kind).isolates && elementsOf(device, mains).some((element) => element.kind === 'source'),
  );

/** Handles that must be opened, place by place; where none is known, whatever feeds the first place. */
export function openings(circuit: Circuit): { station: string; devices: string[] }[] {
  const handles = handlesOf(circuit);
  const stations = [...new Set(handles.map(({ station }) => station))];
  const [first] = circuit.stations;
  if (stations.length === 0) return first ? [{ station: first.id, devices: [] }] : [];
  return stations.map((station) => ({
    station,
    devices: handles.filter((handle) => handle.station === station).map(({ id }) => id),
  }));
}

/** Where a person reads a transformer's secondary: the strip its hot and common come out on. */
function stripOf(circuit: Circuit, terminal: TerminalId): TerminalId {
  for (const { conductor, end } of landedOn(circuit, terminal)) {
    const far = conductor[otherEnd(end)];
    if (!far) continue;
    const { deviceId } = splitTerminal(far);
    const device = findDevice(circuit, deviceId)!;
    if (kindOf(device.kind).inline) {
      const through = kindOf(device.kind)
        .designations({})
        .map(({ mark }) => `${deviceId}.${mark}`)
        .find((other) => other !== far);
      if (through) return stripOf(circuit, through);
    } else if (!kindOf(device.kind).primary) return far;
  }
  return terminal;
}

/** The strip of a device whose secondary is inside it: its hot, and whatever else it has on the control side. */
function ownStrip(circuit: Circuit, deviceId: string): [TerminalId, TerminalId] | null {
  const { kind, params } = findDevice(circuit, deviceId)!;
  const marks = kindOf(kind).designations(fill(kindOf(kind).params, params));
  const hot = marks.find(({ role }) => role === 'hot');
  const other = marks.find((entry) => entry !== hot && (entry.role === 'common' || entry.role === 'call'));
  return hot && other ? [`${deviceId}.${hot.mark}`, `${deviceId}.${other.mark}`] : null;
}

/** One pair of points for each secondary. Whether it is dead there is for the meter to say, never for the plan. */
export function testPoints(
  circuit: Circuit,
): { station: string; probes: [TerminalId, TerminalId]; transformer: string }[] {
  const network = compile(circuit);
  return network.secondaries.flatMap(({ device, hot, common }) => {
    const ends = [network.nodes[hot]!, network.nodes[common]!] as const;
    const inside = ends.some((end) => end.includes('#'));
    const probes = inside
      ? ownStrip(circuit, device)
      : ([stripOf(circuit, ends[0]), stripOf(circuit, ends[1])] as [TerminalId, TerminalId]);
    if (!probes) return [];
    const { station } = findDevice(circuit, splitTerminal(probes[0]).deviceId)!;
    return [{ station, probes, transformer: device }];
  });
}
