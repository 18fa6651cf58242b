/** Minutes of looking for a fault: common practice, from memory, to be edited by who works otherwise. */
import type { Circuit, Device } from '../circuit';
import { kindOf } from '../devices';

export interface Costs {
  look: number;
  reading: number;
  /** More for a reading on line voltage: it is asked for only where nothing else tells as much. */
  line: number;
  /** Power off, proven and on again, once for all that is done meanwhile; and to test a part by itself. */
  powerOff: number;
  test: number;
  /** A known-good device in the place of another. */
  swap: number;
  /** For each conductor of a cable tested by itself: off at both ends, read, landed again. */
  wire: number;
  /** Covers off and on again, at a unit and at a thermostat. */
  covers: number;
  thermostatCover: number;
  /** A jumper held, and what starts waited for. */
  jumper: number;
  /** To make a call, and to wait until what it starts runs. */
  call: number;
  restart: number;
}

export const COSTS: Costs = {
  look: 0.5,
  reading: 1,
  line: 6,
  powerOff: 4,
  test: 3,
  swap: 8,
  wire: 2,
  jumper: 2,
  covers: 3,
  thermostatCover: 1,
  call: 0.5,
  restart: 5,
};

/** Where a person is, and whose covers are off. */
export interface Whereabouts {
  station: string;
  /** Places whose covers are off. */
  open: readonly string[];
  /** Id of the state everything is set to. */
  state: string;
  /** The power is off, and proven to be, since the last step. */
  dark?: boolean;
}

/** Minutes from one place to another: what it takes to get there. */
export const walkMinutes = ({ stations }: Circuit, from: string, to: string): number =>
  from === to ? 0 : (stations.find(({ id }) => id === to)?.access ?? 0);

interface Places {
  /** Where thermostats are: a call is made there. */
  calling: readonly string[];
  /** Where there is nothing but thermostats. */
  thermostatsOnly: ReadonlySet<string>;
}

/** Asked for every step there is, at every observation. */
const known = new WeakMap<Circuit, Places>();

function placesOf(circuit: Circuit): Places {
  const before = known.get(circuit);
  if (before) return before;
  const asks = (device: Device) => kindOf(device.kind).asks !== undefined;
  const at = (station: string) => circuit.devices.filter((device) => device.station === station);
  const made = {
    calling: [...new Set(circuit.devices.filter(asks).map(({ station }) => station))],
    thermostatsOnly: new Set(circuit.stations.flatMap(({ id }) => (at(id).every(asks) ? [id] : []))),
  };
  known.set(circuit, made);
  return made;
}

/** Minutes until a person's hands are in what is at a place. */
export function reachMinutes(circuit: Circuit, costs: Costs, at: Whereabouts, station: string): number {
  const walk = walkMinutes(circuit, at.station, station);
  if (at.open.includes(station)) return walk;
  return walk + (placesOf(circuit).thermostatsOnly.has(station) ? costs.thermostatCover : costs.covers);
}

/** Minutes to have everything set to another state, and settled in it. */
export function stateMinutes(circuit: Circuit, costs: Costs, at: Whereabouts, state: string): number {
  if (at.state === state) return 0;
  const [place] = placesOf(circuit).calling;
  return (place === undefined ? 0 : walkMinutes(circuit, at.station, place)) + costs.call + costs.restart;
}
