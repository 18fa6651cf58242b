import { complaint, fill, kindOf } from '../../devices';
import { findDevice } from '../find';
import { hasTerminal, underAnyLabel } from '../terminals';
import { problemsOfDevice } from '../parse';
import type { Circuit, Device, TerminalId } from '../types';
import { need } from './edit-error';

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

/** Frees every end, and drops every join, of a terminal that is not there any more under any label. */
function freeLostTerminals(circuit: Circuit): Circuit {
  const still = (terminal: TerminalId | null) =>
    terminal === null ? null : underAnyLabel(circuit, terminal);
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
