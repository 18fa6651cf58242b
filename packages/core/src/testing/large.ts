/** A circuit far larger than a job: several systems whose commons are tied, for limits and timings. */
import type { Cable, Circuit } from '../circuit';
import { addLink } from '../circuit';
import { furnaceAirConditioner, rooftopUnit } from '../systems';

/** Every id of a circuit with a prefix, so that it can stand beside others. */
function prefixed(circuit: Circuit, prefix: string): Circuit {
  const name = (id: string) => `${prefix}${id}`;
  const terminal = (id: string | null) => (id === null ? null : name(id));
  return {
    ...circuit,
    stations: circuit.stations.map((station) => ({ ...station, id: name(station.id) })),
    devices: circuit.devices.map((device) => ({
      ...device,
      id: name(device.id),
      station: name(device.station),
    })),
    cables: circuit.cables.map((cable) => ({
      ...cable,
      id: name(cable.id),
      conductors: cable.conductors.map((conductor) => ({
        ...conductor,
        id: name(conductor.id),
        from: terminal(conductor.from),
        to: terminal(conductor.to),
      })),
    })),
  };
}

/** Colours of the spares in a thermostat's second jacket. */
const SPARES = ['BN', 'VT', 'GY', 'PK', 'TQ', 'BK', 'OG', 'GN', 'YE', 'WH', 'RD', 'BU', 'VT'] as const;

/** A jacket of spares beside each thermostat's run, as a building that was wired for more has them. */
const spareJacket = (prefix: string): Cable => ({
  id: `${prefix}spares`,
  label: 'Spare jacket',
  gauge: 18,
  lengthM: 40,
  conductors: SPARES.map((colour, i) => ({ id: `${prefix}spare${i}`, colour, from: null, to: null })),
});

/** At least 60 devices and 200 conductors in one network. */
export function largeCircuit(name: string): Circuit {
  const parts = [
    ...['a', 'b', 'c'].map((prefix) => prefixed(rooftopUnit(name), prefix)),
    prefixed(furnaceAirConditioner(name), 'd'),
  ];
  const whole: Circuit = {
    ...parts[0]!,
    stations: parts.flatMap(({ stations }) => stations),
    devices: parts.flatMap(({ devices }) => devices),
    cables: [...parts.flatMap(({ cables }) => cables), ...['a', 'b', 'c', 'd'].map(spareJacket)],
  };
  const joins = ['acontroller.C', 'bcontroller.C', 'ccontroller.C', 'dboard.C'];
  return addLink(whole, { id: 'commons', kind: 'splice', joins });
}
