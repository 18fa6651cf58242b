/**
 * Editing functions: a circuit in, a new circuit out, the old one untouched. Each
 * refuses an edit that would leave the document invalid, naming what is wrong.
 */
import { complaint, fill, kindOf } from '../devices';
import { GAUGES } from '../standards';
import { findCable, findConductor, findDevice, hasTerminal } from './find';
import { problemsOfDevice } from './parse';
import { CABLE_METRES } from './schema';
import type { Circuit, Conductor, Device, End, Link, TerminalId } from './types';
import { otherEnd } from './types';

/** An edit that cannot be made, said so that a person knows what would be valid. */
export class EditError extends Error {
  override name = 'EditError';
}

const need = (holds: boolean, message: string): void => {
  if (!holds) throw new EditError(message);
};

function changeConductor(circuit: Circuit, id: string, change: Partial<Conductor>): Circuit {
  return {
    ...circuit,
    cables: circuit.cables.map((cable) =>
      cable.conductors.some((conductor) => conductor.id === id)
        ? {
            ...cable,
            conductors: cable.conductors.map((conductor) =>
              conductor.id === id ? { ...conductor, ...change } : conductor,
            ),
          }
        : cable,
    ),
  };
}

/** Lands one end of a conductor on a terminal, moving it from wherever it was. */
export function land(circuit: Circuit, conductorId: string, end: End, terminal: TerminalId): Circuit {
  const conductor = findConductor(circuit, conductorId);
  need(conductor !== undefined, `There is no conductor "${conductorId}".`);
  need(hasTerminal(circuit, terminal), `There is no terminal "${terminal}".`);
  need(
    conductor?.[otherEnd(end)] !== terminal,
    'The other end of this conductor is already on that terminal.',
  );
  return changeConductor(circuit, conductorId, { [end]: terminal });
}

/** Takes one end of a conductor off its terminal and leaves it free. */
export function lift(circuit: Circuit, conductorId: string, end: End): Circuit {
  need(findConductor(circuit, conductorId) !== undefined, `There is no conductor "${conductorId}".`);
  return changeConductor(circuit, conductorId, { [end]: null });
}

/** Exchanges where two conductor ends are landed. */
export function exchange(circuit: Circuit, first: [string, End], second: [string, End]): Circuit {
  const at = ([id, end]: [string, End]) => {
    const conductor = findConductor(circuit, id);
    need(conductor !== undefined, `There is no conductor "${id}".`);
    return conductor![end];
  };
  const [one, two] = [at(first), at(second)];
  const set = (current: Circuit, [id, end]: [string, End], terminal: TerminalId | null) =>
    terminal === null ? lift(current, id, end) : land(current, id, end, terminal);
  return set(set(circuit, first, two), second, one);
}

/** Adds a device with the kind's defaults for whatever is left out. */
export function addDevice(circuit: Circuit, device: Device): Circuit {
  need(!findDevice(circuit, device.id), `There is already a device "${device.id}".`);
  need(
    circuit.stations.some(({ id }) => id === device.station),
    `There is no station "${device.station}".`,
  );
  const problems = problemsOfDevice(device, circuit.stations);
  need(
    problems.length === 0,
    `This device cannot be added: ${problems.map(({ path, message }) => `${path} ${message}`).join('; ')}.`,
  );
  return { ...circuit, devices: [...circuit.devices, device] };
}

/** Removes a device; what was landed on it is left with free ends, its links are taken away. */
export function removeDevice(circuit: Circuit, deviceId: string): Circuit {
  need(findDevice(circuit, deviceId) !== undefined, `There is no device "${deviceId}".`);
  const gone = (terminal: TerminalId | null) => terminal?.startsWith(`${deviceId}.`) ?? false;
  const free = (terminal: TerminalId | null) => (gone(terminal) ? null : terminal);
  return {
    ...circuit,
    devices: circuit.devices.filter(({ id }) => id !== deviceId),
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((conductor) => ({
        ...conductor,
        from: free(conductor.from),
        to: free(conductor.to),
      })),
    })),
    links: circuit.links
      .map((link) => ({ ...link, joins: link.joins.filter((terminal) => !gone(terminal)) }))
      .filter(({ joins }) => joins.length > 1),
  };
}

/** A link id that is not taken. */
export function freeLinkId({ links }: Circuit): string {
  for (let i = 1; ; i++) if (!links.some(({ id }) => id === `jumper${i}`)) return `jumper${i}`;
}

/** Joins terminals with a jumper or a splice. */
export function addLink(circuit: Circuit, link: Link): Circuit {
  need(!circuit.links.some(({ id }) => id === link.id), `There is already a link "${link.id}".`);
  need(
    link.joins.length > 1 && new Set(link.joins).size === link.joins.length,
    'A jumper needs two different terminals.',
  );
  for (const terminal of link.joins)
    need(hasTerminal(circuit, terminal), `There is no terminal "${terminal}".`);
  return { ...circuit, links: [...circuit.links, link] };
}

/** Takes a jumper or splice away. */
export function removeLink(circuit: Circuit, linkId: string): Circuit {
  return { ...circuit, links: circuit.links.filter(({ id }) => id !== linkId) };
}

/** Frees every end, and drops every join, of a terminal that is not there any more. */
function freeLostTerminals(circuit: Circuit): Circuit {
  const still = (terminal: TerminalId | null) =>
    terminal !== null && hasTerminal(circuit, terminal) ? terminal : null;
  return {
    ...circuit,
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((conductor) => ({
        ...conductor,
        from: still(conductor.from),
        to: still(conductor.to),
      })),
    })),
    links: circuit.links
      .map((link) => ({ ...link, joins: link.joins.filter((terminal) => hasTerminal(circuit, terminal)) }))
      .filter(({ joins }) => joins.length > 1),
  };
}

/** Changes one param or setting of a device; ends on terminals it has no more are left free. */
export function setValue(
  circuit: Circuit,
  deviceId: string,
  group: 'params' | 'settings',
  name: string,
  value: number | string,
): Circuit {
  const device = findDevice(circuit, deviceId);
  need(device !== undefined, `There is no device "${deviceId}".`);
  const fields = kindOf(device!.kind)[group];
  need(Object.hasOwn(fields, name), `${device!.label} has no ${name}.`);
  const problem = complaint(fields[name]!, value);
  need(problem === undefined, `${fields[name]!.label} ${problem}.`);
  if (group === 'params') {
    const kind = kindOf(device!.kind);
    const conflict = kind.conflict({ ...fill(kind.params, device!.params), [name]: value });
    need(conflict === undefined, `${conflict && kind.params[conflict.param]!.label} ${conflict?.message}.`);
  }
  const changed = {
    ...circuit,
    devices: circuit.devices.map((entry) =>
      entry.id === deviceId ? { ...entry, [group]: { ...entry[group], [name]: value } } : entry,
    ),
  };
  return group === 'params' ? freeLostTerminals(changed) : changed;
}

/** Changes a cable's length in metres or gauge in AWG. */
export function setCable(
  circuit: Circuit,
  cableId: string,
  change: { lengthM?: number; gauge?: number },
): Circuit {
  need(findCable(circuit, cableId) !== undefined, `There is no cable "${cableId}".`);
  const { lengthM, gauge } = change;
  need(
    lengthM === undefined || (lengthM >= CABLE_METRES.least && lengthM <= CABLE_METRES.most),
    `Length must be between ${CABLE_METRES.least} and ${CABLE_METRES.most} m.`,
  );
  need(
    gauge === undefined || GAUGES.some((made) => made === gauge),
    `Gauge must be one of ${GAUGES.join(', ')} AWG.`,
  );
  return {
    ...circuit,
    cables: circuit.cables.map((cable) => (cable.id === cableId ? { ...cable, ...change } : cable)),
  };
}
