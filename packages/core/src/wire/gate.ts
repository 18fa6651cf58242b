/** The power-off gate: what must be opened, and where the reading is taken that proves it dead. */
import type { Circuit, Device, TerminalId } from '../circuit';
import { designationsOf, findDevice, halvesOf, isFedAt, landedOn, otherEnd, splitTerminal } from '../circuit';
import { contextOf, elementsOf, kindOf } from '../devices';
import { compile } from '../network';

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
  const marks = designationsOf(findDevice(circuit, deviceId)!);
  const hot = marks.find(({ role }) => role === 'hot');
  const other = marks.find((entry) => entry !== hot && (entry.role === 'common' || entry.role === 'call'));
  return hot && other ? [`${deviceId}.${hot.mark}`, `${deviceId}.${other.mark}`] : null;
}

/** A pair of points to be proven dead, and the device whose supply is read there. */
interface TestPoint {
  station: string;
  probes: [TerminalId, TerminalId];
  supply: string;
  /** It is read once all before it are dead. */
  onward?: true;
}

/**
 * Of a unit in two halves every conductor that can kill: at the half its supply comes in first, there against one another and
 * against earth, then those of the run at the other.
 */
function halfPoints(circuit: Circuit): TestPoint[] {
  const points = halvesOf(circuit).flatMap((half) => {
    const { device, at } = half;
    const isFed = isFedAt(circuit, half);
    const [line, neutral] = isFed ? at.supply : [at.line, at.neutral];
    const pairs: [string, string][] = [
      [line, neutral],
      [line, at.earth],
      [at.signal, at.earth],
    ];
    return pairs.map(([one, other]): TestPoint => ({
      station: device.station,
      probes: [`${device.id}.${one}`, `${device.id}.${other}`],
      supply: device.id,
      ...(!isFed && { onward: true }),
    }));
  });
  return points.sort((one, other) => Number(one.onward ?? false) - Number(other.onward ?? false));
}

/** Where a cabinet with something in it that holds a charge gets its line voltage: it is opened to work on those wires. */
function cabinetPoints({ devices, mains }: Circuit): TestPoint[] {
  const opened = new Set(
    devices.flatMap((device) => (chargesOf(device, mains).length > 0 ? [device.station] : [])),
  );
  return devices.flatMap(({ id, kind, station }): TestPoint[] => {
    const feed = kindOf(kind).cabinetFeed;
    if (!feed || !opened.has(station)) return [];
    return [{ station, probes: [`${id}.${feed[0]}`, `${id}.${feed[1]}`], supply: id }];
  });
}

/** Pairs of terminals of a device that hold a charge. */
export const chargesOf = (
  device: Device,
  mains: Circuit['mains'],
): readonly (readonly [TerminalId, TerminalId])[] =>
  kindOf(device.kind)
    .capacitances(contextOf(device, mains))
    .map(({ between: [one, other] }) => [`${device.id}.${one}`, `${device.id}.${other}`]);

/** Pairs of points for each supply of a circuit. Whether it is dead there is for the meter to say, never for the plan. */
export function testPoints(circuit: Circuit): TestPoint[] {
  const network = compile(circuit);
  const secondaries = network.secondaries.flatMap(({ device, hot, common }): TestPoint[] => {
    const ends = [network.nodes[hot]!, network.nodes[common]!] as const;
    const inside = ends.some((end) => end.includes('#'));
    const probes = inside
      ? ownStrip(circuit, device)
      : ([stripOf(circuit, ends[0]), stripOf(circuit, ends[1])] as [TerminalId, TerminalId]);
    if (!probes) return [];
    const { station } = findDevice(circuit, splitTerminal(probes[0]).deviceId)!;
    return [{ station, probes, supply: device }];
  });
  return [...secondaries, ...halfPoints(circuit), ...cabinetPoints(circuit)];
}
