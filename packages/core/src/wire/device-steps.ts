/** Devices and jumpers: taken off, mounted, fitted, set. */
import type { Circuit, Device, TerminalId } from '../circuit';
import { findDevice, splitTerminal } from '../circuit';
import { kindOf } from '../devices';
import { stationOfEnd } from '../plan';
import type { PlannedChange, Step } from './step';

/** Devices that go and come, and cables that go out of use. */
export function deviceSteps({ before, difference }: PlannedChange): Step[] {
  const removed = difference.devicesRemoved.map((device): Step => {
    const landed = before.cables.flatMap(({ conductors }) =>
      conductors.filter((conductor) =>
        [conductor.from, conductor.to].some((end) => end?.startsWith(`${device.id}.`)),
      ),
    );
    return {
      id: `remove:${device.id}`,
      kind: 'remove',
      station: device.station,
      task: { type: 'take-off', device: device.id, conductors: landed.length },
      after: [],
    };
  });
  const replaced = (device: Device) =>
    difference.devicesRemoved.filter(
      ({ station, kind }) => station === device.station && kind === device.kind,
    );
  const mounted = difference.devicesAdded.map((device): Step => ({
    id: `mount:${device.id}`,
    kind: 'mount',
    station: device.station,
    task: { type: 'mount', device: device.id },
    after: replaced(device).map(({ id }) => `remove:${id}`),
  }));
  const carried = difference.devicesMoved.map((device): Step => ({
    id: `carry:${device.id}`,
    kind: 'mount',
    station: device.station,
    task: { type: 'carry', device: device.id, from: findDevice(before, device.id)!.station },
    after: [],
  }));
  const cables = difference.removed.flatMap((cable): Step[] => {
    const station = stationOfEnd(before, cable, 'to', null) ?? stationOfEnd(before, cable, 'from', null);
    return station
      ? [
          {
            id: `out:${cable.id}`,
            kind: 'remove',
            station,
            task: { type: 'retire', cable: cable.id },
            after: [],
          },
        ]
      : [];
  });
  return [...removed, ...cables, ...mounted, ...carried];
}

export function linkSteps({ before, after, difference, reasons }: PlannedChange): Step[] {
  const stationOf = (circuit: Circuit, joins: readonly TerminalId[]) =>
    findDevice(circuit, splitTerminal(joins[0]!).deviceId)?.station;
  const whyOf = (id: string) => {
    const why = reasons[`link:${id}`];
    return why === undefined ? {} : { why };
  };
  return [
    ...difference.linksRemoved.flatMap(({ id, joins }): Step[] => {
      const station = stationOf(before, joins);
      return station
        ? [
            {
              id: `unlink:${id}`,
              kind: 'unlink',
              station,
              task: { type: 'unlink', joins },
              ...whyOf(id),
              after: [],
            },
          ]
        : [];
    }),
    ...difference.linksAdded.flatMap(({ id, joins }): Step[] => {
      const station = stationOf(after, joins);
      return station
        ? [
            {
              id: `link:${id}`,
              kind: 'link',
              station,
              task: { type: 'link', joins },
              ...whyOf(id),
              after: [],
            },
          ]
        : [];
    }),
  ];
}

/** Everything to set: on new thermostats once they have power, on boards before. */
export function setSteps({ after, difference, reasons }: PlannedChange): Step[] {
  const onNew = difference.devicesAdded.flatMap((device) =>
    Object.entries(device.settings).map(([name, value]) => ({
      device,
      group: 'settings' as const,
      name,
      value,
    })),
  );
  return [...difference.values, ...onNew].flatMap(({ device, group, name, value }): Step[] => {
    if (!kindOf(device.kind)[group][name]) return [];
    const powered = kindOf(device.kind).asks !== undefined && name !== 'joiner';
    const why = reasons[`set:${name}`];
    return [
      {
        id: `set:${device.id}:${name}`,
        kind: 'set',
        station: findDevice(after, device.id)!.station,
        task: { type: 'set', device: device.id, group, name, value },
        ...(why !== undefined && { why }),
        after: powered
          ? ['on']
          : device.station && difference.devicesAdded.includes(device)
            ? [`mount:${device.id}`]
            : [],
      },
    ];
  });
}
