import type { Interconnect } from '../devices';
import { fill, kindOf } from '../devices';
import { splitTerminal } from './terminals';
import type { Cable, Circuit, Conductor, Device, End, TerminalId } from './types';
import { ENDS } from './types';

export function findDevice(circuit: Circuit, id: string): Device | undefined {
  return circuit.devices.find((device) => device.id === id);
}

export function findCable(circuit: Circuit, id: string): Cable | undefined {
  return circuit.cables.find((cable) => cable.id === id);
}

export function findConductor(circuit: Circuit, id: string): Conductor | undefined {
  for (const cable of circuit.cables) {
    const found = cable.conductors.find((conductor) => conductor.id === id);
    if (found) return found;
  }
  return undefined;
}

/** One half of a unit in two, and its terminals of the run between them. */
export interface UnitHalf {
  device: Device;
  at: Interconnect;
}

/** Every half of a unit in two. */
export const halvesOf = ({ devices }: Circuit): UnitHalf[] =>
  devices.flatMap((device) => {
    const { interconnect, params } = kindOf(device.kind);
    const at = interconnect?.(fill(params, device.params));
    return at ? [{ device, at }] : [];
  });

/** Whether the supply of a unit is landed at this half. */
export const isFedAt = (circuit: Circuit, { device, at }: UnitHalf): boolean =>
  at.supply.some((mark) => landedOn(circuit, `${device.id}.${mark}`).length > 0);

/** Whether a terminal is a joint that goes by the name of what it joins. */
export function isSplice(circuit: Circuit, terminal: TerminalId): boolean {
  const device = findDevice(circuit, splitTerminal(terminal).deviceId);
  return device !== undefined && kindOf(device.kind).splices;
}

/** Every conductor end landed on a terminal. */
export function landedOn(
  circuit: Circuit,
  terminal: TerminalId,
): { conductor: Conductor; end: End; cable: Cable }[] {
  return circuit.cables.flatMap((cable) =>
    cable.conductors.flatMap((conductor) =>
      ENDS.filter((end) => conductor[end] === terminal).map((end) => ({ conductor, end, cable })),
    ),
  );
}

/** The name of the point where a conductor's free end is; landed ends are their terminal. */
export function endNode(conductor: Conductor, end: End): string {
  return conductor[end] ?? `${conductor.id}~${end}`;
}

/** "Furnace board R", or "free end of the yellow conductor" for a point that is no terminal. */
export function nodeName(circuit: Circuit, point: string): string {
  const { deviceId, mark } = splitTerminal(point);
  const device = findDevice(circuit, deviceId);
  if (device) return kindOf(device.kind).splices ? device.label : `${device.label} ${mark}`;
  const [conductorId = ''] = point.split('~');
  const conductor = findConductor(circuit, conductorId);
  return conductor ? `free end of ${conductor.tag ?? conductor.number ?? conductor.colour}` : point;
}
