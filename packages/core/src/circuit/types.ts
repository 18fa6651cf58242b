import type { Mains, Values } from '../devices';
import type { ColourCode } from '../standards';

export const FORMAT = 'zygostat-circuit';
export const VERSION = 2;

/** `deviceId.DESIGNATION` */
export type TerminalId = string;

/** The circuit document: all that is known of the wiring of one job. SI units throughout. */
export interface Circuit {
  format: typeof FORMAT;
  version: typeof VERSION;
  name: string;
  mains: Mains;
  stations: Station[];
  devices: Device[];
  cables: Cable[];
  links: Link[];
}

export const STATION_KINDS = ['room', 'plant', 'outdoor', 'attic', 'panel'] as const;

/** Where a person stands. `access` is the minutes it takes to get there and open it. */
export interface Station {
  id: string;
  kind: (typeof STATION_KINDS)[number];
  name: string;
  access: number;
}

export interface Device {
  id: string;
  kind: string;
  station: string;
  label: string;
  /** What the part's label says; fields left out take the kind's defaults. */
  params: Record<string, Values[string]>;
  /** How the part is set up. */
  settings: Record<string, Values[string]>;
}

export interface Cable {
  id: string;
  label: string;
  /** AWG. */
  gauge: number;
  lengthM: number;
  conductors: Conductor[];
}

/** Kept for later, landed nowhere; or broken, and given nothing to carry. */
export const CONDUCTOR_STATES = ['spare', 'broken'] as const;

/** Terminals of both ends; `null` for an end that is free. */
export interface Ends {
  from: TerminalId | null;
  to: TerminalId | null;
}

export interface Conductor extends Ends {
  id: string;
  colour: ColourCode;
  /** What somebody wrote on a tag that hangs on it. */
  tag?: string;
  /** Its number on the unit's diagram, printed on it. */
  number?: string;
  state?: (typeof CONDUCTOR_STATES)[number];
  /** Where a survey found its ends; left out where none recorded it. */
  found?: Ends;
}

export const LINK_KINDS = ['jumper', 'splice'] as const;

/** Terminals joined without a conductor of their own. */
export interface Link {
  id: string;
  kind: (typeof LINK_KINDS)[number];
  joins: TerminalId[];
}

export type End = 'from' | 'to';
export const ENDS: readonly End[] = ['from', 'to'];

export const otherEnd = (end: End): End => (end === 'from' ? 'to' : 'from');
