/**
 * Layers down the page: rows of blocks, and between them levels of chips. What goes from one layer to another passes
 * through every layer between as an item of its own, so that each step joins neighbours.
 */
import type { Circuit } from '../../circuit';
import { findDevice } from '../../circuit';
import type { Column } from './columns';
import type { Row } from './rows';
import type { Run } from './runs';
import { LOOM } from './shapes';
import { textWidth } from './text';

export interface Item {
  type: 'plate' | 'block' | 'chip' | 'pass';
  /** Device of a plate or chip, terminal of a block, conductor of a pass. */
  id: string;
  layer: number;
  /** Column it belongs to; chips and passes go where they can. */
  column: number | null;
  row: Row | null;
  width: number;
  /** Left edge. */
  x: number;
}

/** One step of a conductor: to the next layer, to a neighbour in its own (joined below both), or to nothing. */
export interface Hop {
  upper: Item;
  lower: Item | null;
}

/** A conductor's way down the layers. */
export interface Leg {
  conductor: string;
  hops: Hop[];
}

export interface Layers {
  /** What each layer holds, from left to right. */
  items: Item[][];
  /** Row slot each layer is, or `null` for a level of chips. */
  slots: (number | null)[];
  legs: Leg[];
}

/** Chips side by side keep this apart, px. */
const CHIP_SPACE = 14;

function chipWidth(label: string): number {
  // The dots that tell more are a target of their own beside the words.
  const words = Math.ceil(textWidth(label, LOOM.chip.type)) * 1.2 + 18 + LOOM.block.width;
  return Math.max(LOOM.chip.least, Math.min(LOOM.chip.most, Math.ceil(words)));
}

interface Placed {
  slot: number;
  /** Level of chips below the slot, 0 for the row itself. */
  level: number;
}

/** Where a run begins and ends, the upper end first; its conductors and chips in that order. */
interface Way {
  start: string;
  end: string | null;
  conductors: string[];
  chips: string[];
  slot: number;
  endSlot: number | null;
}

function wayOf(run: Run, slotAt: ReadonlyMap<string, number>): Way[] {
  const conductors = run.conductors.map(({ id }) => id);
  const way = (start: string, end: string | null, turned: boolean): Way => ({
    start,
    end,
    conductors: turned ? conductors.reverse() : conductors,
    chips: turned ? [...run.chips].reverse() : run.chips,
    slot: slotAt.get(start)!,
    endSlot: end === null ? null : slotAt.get(end)!,
  });
  const { from, to } = run;
  if (from === null) return to === null ? [] : [way(to, null, true)];
  if (to === null) return [way(from, null, false)];
  return [slotAt.get(from)! <= slotAt.get(to)! ? way(from, to, false) : way(to, from, true)];
}

/** Levels of the chips below each slot, so that those of one level fit side by side beside what goes by. */
function levelChips(
  ways: readonly Way[],
  circuit: Circuit,
  width: number,
  slots: number,
): Map<string, Placed> {
  const levels: number[][] = Array.from({ length: slots }, () => []);
  const passing = (slot: number) =>
    ways.filter(({ slot: start, endSlot }) => start <= slot && (endSlot ?? start) > slot).length;
  const placed = new Map<string, Placed>();
  for (const { chips, slot, endSlot } of ways) {
    const joined = endSlot === slot;
    let level = 0;
    const count = chips.length;
    const room = width - 2 * LOOM.margin - passing(slot) * LOOM.clear;
    chips.forEach((id, i) => {
      const wide = chipWidth(findDevice(circuit, id)!.label) + CHIP_SPACE;
      // Both ends in one row: down to the middle chip, and up again beside it.
      const rising = joined && i >= Math.ceil(count / 2);
      if (rising) level = placed.get(chips[count - 1 - i]!)!.level;
      else {
        level++;
        while ((levels[slot]![level] ?? 0) > 0 && levels[slot]![level]! + wide > room) level++;
      }
      levels[slot]![level] = (levels[slot]![level] ?? 0) + wide;
      placed.set(id, { slot, level });
    });
  }
  return placed;
}

const item = (
  type: Item['type'],
  id: string,
  layer: number,
  width: number,
  rest: Partial<Item> = {},
): Item => ({
  type,
  id,
  layer,
  column: null,
  row: null,
  width,
  x: 0,
  ...rest,
});

/** Width of what passes a layer: a conductor's line. */
const PASS = 8;

/** Layers of rows and chips with every conductor's way through them; nothing has a place across the page yet. */
export function layersOf(
  circuit: Circuit,
  columns: readonly Column[],
  runs: readonly Run[],
  width: number,
): Layers {
  const slotAt = new Map(
    columns.flatMap(({ rows, first }) =>
      rows.flatMap((row, i) => row.slots.map(({ terminal }) => [terminal, first + i] as const)),
    ),
  );
  const count = Math.max(0, ...columns.map(({ rows, first }) => first + rows.length));
  const ways = runs.flatMap((run) => wayOf(run, slotAt));
  const placed = levelChips(ways, circuit, width, count);
  const levelsBelow = (slot: number) =>
    Math.max(0, ...[...placed.values()].filter((at) => at.slot === slot).map(({ level }) => level));
  const slots: (number | null)[] = [];
  const layerOfSlot: number[] = [];
  for (let slot = 0; slot < count; slot++) {
    layerOfSlot.push(slots.length);
    slots.push(slot);
    for (let level = 0; level < levelsBelow(slot); level++) slots.push(null);
  }
  const items: Item[][] = slots.map(() => []);
  const known = new Map<string, Item>();
  columns.forEach(({ rows, plate, left, first }, column) =>
    rows.forEach((row, i) => {
      const layer = layerOfSlot[first + i]!;
      // A strip in several rows has one plate: beside the others conductors go down.
      if (rows[i - 1]?.group !== row.group)
        items[layer]!.push(item('plate', row.device, layer, plate, { column, row, x: left }));
      for (const { terminal } of row.slots) {
        const block = item('block', terminal, layer, LOOM.block.width, { column, row });
        items[layer]!.push(block);
        known.set(terminal, block);
      }
    }),
  );
  for (const [id, { slot, level }] of placed) {
    const chip = item('chip', id, layerOfSlot[slot]! + level, chipWidth(findDevice(circuit, id)!.label));
    items[chip.layer]!.push(chip);
    known.set(id, chip);
  }
  const legs = ways.flatMap(({ start, end, conductors, chips }) => {
    const stops = [start, ...chips].map((id) => known.get(id)!);
    const last = end === null ? null : known.get(end)!;
    return conductors.map((conductor, i) =>
      legBetween(conductor, stops[i]!, i + 1 < stops.length ? stops[i + 1]! : last, items),
    );
  });
  return { items, slots, legs };
}

/** A conductor from one item to another, with a pass in every layer between. */
function legBetween(conductor: string, one: Item, other: Item | null, items: Item[][]): Leg {
  if (other === null || other.layer === one.layer) return { conductor, hops: [{ upper: one, lower: other }] };
  const [upper, lower] = one.layer < other.layer ? [one, other] : [other, one];
  const hops: Hop[] = [];
  let at = upper;
  for (let layer = upper.layer + 1; layer < lower.layer; layer++) {
    const pass = item('pass', conductor, layer, PASS);
    items[layer]!.push(pass);
    hops.push({ upper: at, lower: pass });
    at = pass;
  }
  return { conductor, hops: [...hops, { upper: at, lower }] };
}
