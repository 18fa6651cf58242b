/** Rows of terminal blocks: which there are, and the order that keeps conductors short. */
import type { Circuit, Device } from '../../circuit';
import { designationsOf } from '../../circuit';
import type { TerminalRole } from '../../devices';
import { kindOf } from '../../devices';
import type { Run } from './runs';
import { LOOM } from './shapes';
import { linesOf, textWidth } from './text';

export interface Slot {
  terminal: string;
  mark: string;
  device: string;
  line: boolean;
}

export interface Row {
  /** Group of terminals it is a part of: one device's control or line side. */
  group: string;
  station: string;
  device: string;
  label: string;
  line: boolean;
  slots: Slot[];
}

const LINE_ROLES: ReadonlySet<TerminalRole> = new Set(['line', 'neutral', 'earth', 'winding']);

function slotsOf(device: Device): Slot[] {
  return designationsOf(device).map(({ mark, role }) => ({
    terminal: `${device.id}.${mark}`,
    // A wire nut has no mark of its own: what is written on it is its label.
    mark: role === 'splice' ? device.label : mark,
    device: device.id,
    line: LINE_ROLES.has(role),
  }));
}

/**
 * Every device a row, its line-voltage terminals a row of their own, wire nuts together; a group longer
 * than `perRow` allows it is split.
 */
export function rowsOf(
  circuit: Circuit,
  chips: ReadonlySet<string>,
  perRow: (group: string) => number,
): Row[] {
  return circuit.stations.flatMap(({ id: station }) => {
    const devices = circuit.devices.filter((device) => device.station === station && !chips.has(device.id));
    const nuts = devices.filter(({ kind }) => kindOf(kind).splices);
    const groups = [nuts, ...devices.filter((device) => !nuts.includes(device)).map((device) => [device])];
    return groups
      .filter((group) => group.length > 0)
      .flatMap((group) => {
        const slots = group.flatMap(slotsOf);
        return [false, true].flatMap((line) => {
          const name = `${group[0]!.id}/${line ? 'line' : 'control'}`;
          const own = slots.filter((slot) => slot.line === line);
          return splitRow(own, perRow(name)).map((part): Row => ({
            group: name,
            station,
            device: group[0]!.id,
            label: group.length > 1 || nuts.includes(group[0]!) ? 'Wire nuts' : group[0]!.label,
            line,
            slots: part,
          }));
        });
      });
  });
}

function splitRow(slots: readonly Slot[], perRow: number): Slot[][] {
  const lines = Math.ceil(slots.length / perRow);
  const size = Math.ceil(slots.length / lines);
  return Array.from({ length: lines }, (_, i) => slots.slice(i * size, (i + 1) * size));
}

/** The two rows each run joins; a run that stays in one row, or ends in the air, passes none whatever the order. */
export function joinedRows(rows: readonly Row[], runs: readonly Run[]): (readonly [Row, Row])[] {
  const rowOf = new Map(rows.flatMap((row) => row.slots.map(({ terminal }) => [terminal, row] as const)));
  return runs.flatMap(({ from, to }) => {
    const [one, other] = [
      from === null ? undefined : rowOf.get(from),
      to === null ? undefined : rowOf.get(to),
    ];
    return one && other && one !== other ? [[one, other] as const] : [];
  });
}

/** Counts the rows that all conductors pass together, with some of them standing elsewhere: asked of every order tried. */
function passedIn(rows: readonly Row[], joins: readonly (readonly [Row, Row])[]) {
  const numbers = new Map(rows.map((row, i) => [row, i] as const));
  const ends = joins.map(([one, other]) => [numbers.get(one)!, numbers.get(other)!] as const);
  const at = rows.map((_, i) => i);
  return {
    /** Puts these one below another from a place on. */
    stand(from: number, units: readonly (readonly Row[])[]): void {
      let place = from;
      for (const unit of units) for (const row of unit) at[numbers.get(row)!] = place++;
    },
    count(): number {
      let sum = 0;
      for (const [one, other] of ends) sum += Math.abs(at[one]! - at[other]!) - 1;
      return sum;
    },
  };
}

/** Rows of each group of terminals, which stay together in their order. */
const unitsOf = (rows: readonly Row[]): Row[][] =>
  [...new Set(rows.map(({ group }) => group))].map((group) => rows.filter((row) => row.group === group));

const moved = <T>(list: readonly T[], from: number, to: number): T[] => {
  const rest = list.filter((_, i) => i !== from);
  return [...rest.slice(0, to), list[from]!, ...rest.slice(to)];
};

/** Orders the rows inside each station so that conductors pass as few rows as they can: each moved to where it helps most. */
export function orderRows(rows: readonly Row[], runs: readonly Run[]): Row[] {
  const passed = passedIn(rows, joinedRows(rows, runs));
  let least = passed.count();
  const stations = [...new Set(rows.map(({ station }) => station))].map((station) => {
    const own = rows.filter((row) => row.station === station);
    return { start: rows.indexOf(own[0]!), units: unitsOf(own) };
  });
  for (let improved = true; improved;) {
    improved = false;
    for (const station of stations) {
      for (let from = 0; from < station.units.length; from++)
        for (let to = 0; to < station.units.length; to++) {
          const trial = moved(station.units, from, to);
          passed.stand(station.start, trial);
          const cost = passed.count();
          if (cost < least) [station.units, least, improved] = [trial, cost, true];
        }
      passed.stand(station.start, station.units);
    }
  }
  return stations.flatMap(({ units }) => units.flat());
}

/** Width of the plates of a column: its longest word in one piece, within bounds. */
export function plateWidth(rows: readonly Row[]): number {
  const words = rows.flatMap(({ label }) => label.split(' '));
  const longest = Math.max(0, ...words.map((word) => textWidth(word, LOOM.plate.type)));
  return Math.min(LOOM.plate.most, Math.max(LOOM.plate.least, Math.ceil(longest) + 2 * LOOM.plate.pad));
}

/** The label of a plate of that width, in lines that fit it. */
export const plateLines = (label: string, width: number) =>
  linesOf(label, LOOM.plate.type, width - 2 * LOOM.plate.pad);
