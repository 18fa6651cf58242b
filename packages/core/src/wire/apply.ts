/** The circuit partway through its plan: as it was found, with the steps that are done carried out. */
import type { Circuit } from '../circuit';
import {
  addCable,
  addDevice,
  addLink,
  findConductor,
  land,
  lift,
  removeDevice,
  removeCables,
  removeLink,
  setValue,
} from '../circuit';
import { differenceOf } from '../plan';

/** With a place that only the plan has, once something is put there. */
const withPlace = (circuit: Circuit, { stations }: Circuit, id: string): Circuit => ({
  ...circuit,
  stations: [
    ...circuit.stations,
    ...stations.filter((one) => one.id === id && !circuit.stations.some((known) => known.id === id)),
  ],
});

/** The circuit with some of a plan's steps done, in whatever order they were. */
export function partway(before: Circuit, after: Circuit, steps: ReadonlySet<string>): Circuit {
  const difference = differenceOf(before, after);
  const done = (id: string) => steps.has(id);
  let circuit = before;
  for (const { id } of difference.linksRemoved) if (done(`unlink:${id}`)) circuit = removeLink(circuit, id);
  for (const { id } of difference.devicesRemoved)
    if (done(`remove:${id}`)) circuit = removeDevice(circuit, id);
  const out = difference.removed.map(({ id }) => id).filter((id) => done(`out:${id}`));
  circuit = removeCables(circuit, out);
  for (const device of difference.devicesAdded)
    if (done(`mount:${device.id}`))
      circuit = addDevice(withPlace(circuit, after, device.station), { ...device, settings: {} });
  for (const { id, station } of difference.devicesMoved)
    if (done(`carry:${id}`))
      circuit = {
        ...withPlace(circuit, after, station),
        devices: circuit.devices.map((device) => (device.id === id ? { ...device, station } : device)),
      };
  for (const cable of difference.added) {
    const conductors = cable.conductors.map((conductor) => ({ ...conductor, from: null, to: null }));
    if (done(`pull:${cable.id}`)) circuit = addCable(circuit, { ...cable, conductors });
  }
  const moved = difference.ends.filter(({ conductor, end, to }) =>
    done(`${to === null ? 'lift' : 'land'}:${conductor.id}:${end}`),
  );
  // Off first, all of them: two that change places must not meet on one terminal.
  for (const { conductor, end } of moved)
    if (findConductor(circuit, conductor.id)) circuit = lift(circuit, conductor.id, end);
  for (const { conductor, end, to } of moved)
    if (to !== null && findConductor(circuit, conductor.id)) circuit = land(circuit, conductor.id, end, to);
  for (const { conductors } of difference.added)
    for (const conductor of conductors)
      for (const end of ['from', 'to'] as const)
        if (
          conductor[end] !== null &&
          done(`land:${conductor.id}:${end}`) &&
          findConductor(circuit, conductor.id)
        )
          circuit = land(circuit, conductor.id, end, conductor[end]);
  for (const link of difference.linksAdded) if (done(`link:${link.id}`)) circuit = addLink(circuit, link);
  for (const device of difference.devicesAdded)
    for (const [name, value] of Object.entries(device.settings))
      if (done(`set:${device.id}:${name}`)) circuit = setValue(circuit, device.id, 'settings', name, value);
  for (const { device, group, name, value } of difference.values)
    if (done(`set:${device.id}:${name}`)) circuit = setValue(circuit, device.id, group, name, value);
  return circuit;
}
