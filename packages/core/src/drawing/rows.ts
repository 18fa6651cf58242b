/** Rows of terminal blocks: which there are, and the order that keeps conductors short. */
import type { Circuit, Device } from '../circuit';
import { designationsOf } from '../circuit';
import { kindOf } from '../devices';
import type { TerminalRole } from '../devices';
import type { Run } from './runs';
import type { Block } from './shapes';
import { LOOM } from './shapes';

export interface Row {
  /** Group of terminals it is a part of: one device's control or line side. */
  group: string;
  station: string;
  device: string;
  label: string;
  line: boolean;
  slots: { terminal: string; mark: string; device: string }[];
  blocks: Block[];
  y: number;
}

const LINE_ROLES: ReadonlySet<TerminalRole> = new Set(['line', 'neutral', 'earth', 'winding']);
/** Stations with more rows than this keep them in the document's order. */
const MOST_ORDERED = 6;

interface Slot {
  terminal: string;
  mark: string;
  device: string;
  line: boolean;
}

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
            blocks: [],
            y: 0,
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

/** Rows passed by all conductors together: what a good order keeps small. */
function passed(rows: readonly Row[], runs: readonly Run[]): number {
  const rowAt = new Map(rows.flatMap(({ slots }, i) => slots.map(({ terminal }) => [terminal, i] as const)));
  return runs.reduce((total, { from, to }) => {
    const [one, other] = [
      from === null ? undefined : rowAt.get(from),
      to === null ? undefined : rowAt.get(to),
    ];
    return one === undefined || other === undefined ? total : total + Math.abs(Math.abs(one - other) - 1);
  }, 0);
}

function permutations<T>(items: readonly T[]): T[][] {
  if (items.length < 2) return [[...items]];
  return items.flatMap((item, i) =>
    permutations([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
  );
}

/** Orders the rows inside each station so that conductors pass as few rows as they can. */
export function orderRows(rows: readonly Row[], runs: readonly Run[]): Row[] {
  let best = [...rows];
  let least = passed(best, runs);
  const stations = [...new Set(rows.map(({ station }) => station))];
  for (let improved = true; improved;) {
    improved = false;
    for (const station of stations) {
      const own = best.filter((row) => row.station === station);
      if (own.length < 2 || own.length > MOST_ORDERED) continue;
      const start = best.indexOf(own[0]!);
      for (const order of permutations(own)) {
        const trial = [...best.slice(0, start), ...order, ...best.slice(start + own.length)];
        const cost = passed(trial, runs);
        if (cost >= least) continue;
        [best, least, improved] = [trial, cost, true];
      }
    }
  }
  return best;
}

/** Room for a row's blocks beside its plate and the lanes that pass it, px. */
const roomBeside = (width: number, lanes: number) =>
  width - 2 * LOOM.margin - LOOM.plate - LOOM.rowPadding - lanes * LOOM.lane;

/** How many blocks stand side by side beside so many lanes; at least one. */
export function blocksAcross(width: number, lanes: number): number {
  return Math.max(1, Math.floor(roomBeside(width, lanes) / (LOOM.block.width + LOOM.block.gap)));
}

/** Places a row's blocks in the width that the lanes beside it leave. */
export function placeBlocks(row: Row, width: number, lanes: number): void {
  const left = LOOM.margin + LOOM.plate;
  const pitch = Math.min(roomBeside(width, lanes) / row.slots.length, LOOM.block.most + LOOM.block.gap);
  const wide = Math.max(Math.min(pitch - LOOM.block.gap, LOOM.block.most), LOOM.block.width);
  row.blocks = row.slots.map(({ terminal, mark, device }, i) => ({
    terminal,
    mark,
    device,
    x: left + i * pitch,
    y: 0,
    width: wide,
    height: LOOM.block.height,
    screws: [],
  }));
}
