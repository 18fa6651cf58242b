import type { Cable, Circuit, Conductor, Device, Station } from '../circuit';
import { FORMAT, VERSION } from '../circuit';
import type { ColourCode } from '../standards';

export type ConductorSpec = readonly [
  id: string,
  colour: ColourCode,
  from: string | null,
  to: string | null,
  number?: string,
];

export const device = (
  id: string,
  kind: string,
  station: string,
  label: string,
  params: Device['params'] = {},
  settings: Device['settings'] = {},
): Device => ({ id, kind, station, label, params, settings });

export const station = (id: string, kind: Station['kind'], name: string, access: number): Station => ({
  id,
  kind,
  name,
  access,
});

export const cable = (
  id: string,
  label: string,
  gauge: number,
  lengthM: number,
  conductors: readonly ConductorSpec[],
): Cable => ({
  id,
  label,
  gauge,
  lengthM,
  conductors: conductors.map(([conductorId, colour, from, to, number]): Conductor => {
    const conductor = { id: conductorId, colour, from, to };
    return number === undefined ? conductor : { ...conductor, number };
  }),
});

/** A circuit on North American mains, 120 V to neutral at 60 Hz. */
export const circuit = (
  name: string,
  parts: Pick<Circuit, 'stations' | 'devices' | 'cables'> & Partial<Pick<Circuit, 'links'>>,
): Circuit => ({
  format: FORMAT,
  version: VERSION,
  name,
  mains: { volts: 120, hertz: 60 },
  links: [],
  ...parts,
});

/** Where a survey begins: nothing is known yet. */
export const emptyCircuit = (name: string): Circuit =>
  circuit(name, { stations: [], devices: [], cables: [] });
