/** The power-off gate: what must be opened, and where the reading is taken that proves it dead. */
import { NEW_WORLD, settle } from '../behaviour';
import type { Circuit, TerminalId } from '../circuit';
import { findDevice, landedOn, otherEnd, splitTerminal } from '../circuit';
import { kindOf } from '../devices';
import { compile, voltsBetween } from '../network';

/** More than this between hot and common is not dead, V: a meter's own noise and coupling stay below, from memory. */
export const DEAD_VOLTS = 1;

const CALM = { indoorC: 22, outdoorC: 20 };

/** Breakers of a circuit: the handles that take its power away. */
const breakersOf = ({ devices }: Circuit) => devices.filter(({ kind }) => kind === 'breaker');

const named = (labels: readonly string[]) =>
  labels.length < 2 ? labels.join('') : `${labels.slice(0, -1).join(', ')} and ${labels.at(-1)!}`;

/** The breakers to open, and the place they are at; `null` when the circuit has none. */
export function stationsOff(circuit: Circuit): { station: string; names: string } | null {
  const breakers = breakersOf(circuit);
  const [first] = breakers;
  return first ? { station: first.station, names: named(breakers.map(({ label }) => label)) } : null;
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
    } else if (device.kind !== 'control-transformer') return far;
  }
  return terminal;
}

/** One pair of points for each transformer, dead when its breakers are open. */
export function testPoints(
  circuit: Circuit,
): { station: string; probes: [TerminalId, TerminalId]; name: string }[] {
  const network = compile(circuit);
  const controls = Object.fromEntries(breakersOf(circuit).map(({ id }) => [id, { handle: 'off' }]));
  const { point } = settle(network, { controls, conditions: CALM }, NEW_WORLD);
  return network.secondaries.flatMap(({ device, hot, common }) => {
    const found = findDevice(circuit, device)!;
    const [own, back] = [network.nodes[hot]!, network.nodes[common]!];
    // A secondary inside a device is read on that device's own strip, which the plan cannot name.
    if (own.includes('#') || back.includes('#')) return [];
    const probes: [TerminalId, TerminalId] = [stripOf(circuit, own), stripOf(circuit, back)];
    if (voltsBetween(point, probes[0], probes[1]) > DEAD_VOLTS) return [];
    const { station } = findDevice(circuit, splitTerminal(probes[0]).deviceId)!;
    return [{ station, probes, name: found.label.charAt(0).toLowerCase() + found.label.slice(1) }];
  });
}
