/**
 * Geometry of the loom: places as cards of terminal blocks, and conductors at right angles between the blocks' screws, in
 * channels between the rows, behind nothing. Plain shapes, no colours and no volts, so a circuit is laid out once per width.
 *
 * The way is that of layered drawings (Sugiyama, Tagawa, Toda 1981): layers, an order in which little crosses, places
 * across the page, and between two layers channels as in routing.
 */
import type { Circuit, Conductor } from '../../circuit';
import { splitTerminal } from '../../circuit';
import type { Spot } from '../shapes';
import type { Step } from './channels';
import { giveChannels, stepsOf } from './channels';
import type { Column } from './columns';
import { blocksIn, columnCount, columnWidth, columnsOf, roomOf } from './columns';
import type { Item, Layers, Leg } from './layers';
import { layersOf } from './layers';
import { joinedOf, orderLayers } from './order';
import { placeLayers } from './place';
import { joinedRows, orderRows, plateLines, rowsOf } from './rows';
import type { Run } from './runs';
import { runsOf } from './runs';
import type { Block, Card, Chip, Loom, Wire } from './shapes';
import { LOOM } from './shapes';
import { tagSpots } from './tags';

interface Arranged {
  columns: Column[];
  layers: Layers;
}

/** Widths of blocks: as much as their row leaves, and enough for all that is landed on one edge. */
function widen({ items, legs }: Layers, columns: readonly Column[]): void {
  const landed = new Map<Item, { top: number; bottom: number }>();
  const count = (item: Item, edge: 'top' | 'bottom') => {
    const at = landed.get(item) ?? { top: 0, bottom: 0 };
    at[edge]++;
    landed.set(item, at);
  };
  for (const { hops } of legs)
    for (const { upper, lower } of hops) {
      count(upper, 'bottom');
      if (lower) count(lower, lower.layer === upper.layer ? 'bottom' : 'top');
    }
  for (const layer of items) {
    const passes = layer.filter(({ type }) => type === 'pass').length;
    for (const row of new Set(layer.map(({ row }) => row))) {
      const blocks = layer.filter((item) => item.type === 'block' && item.row === row);
      if (!row || blocks.length === 0) continue;
      const column = columns[blocks[0]!.column!]!;
      const room = (roomOf(column) - passes * LOOM.abreast) / blocks.length - LOOM.block.gap;
      for (const block of blocks) {
        const { top, bottom } = landed.get(block) ?? { top: 0, bottom: 0 };
        const need = 18 + (Math.max(top, bottom) - 1) * LOOM.abreast;
        block.width = Math.floor(Math.max(LOOM.block.width, need, Math.min(LOOM.block.most, room)));
      }
    }
  }
}

/** Groups of terminals whose rows are fuller than the page is wide, and how many blocks they may have instead. */
function tooFull({ items }: Layers, columns: readonly Column[]): Map<string, number> {
  const split = new Map<string, number>();
  for (const layer of items) {
    const rows = [...new Set(layer.flatMap(({ row }) => (row ? [row] : [])))];
    const passes = layer.filter(({ type }) => type === 'pass').length;
    const room = rows.map((row) => {
      const blocks = layer.filter((item) => item.type === 'block' && item.row === row);
      const column = columns[blocks[0]!.column!]!;
      const plate = layer.some((item) => item.type === 'plate' && item.row === row);
      const taken = blocks.reduce((sum, { width }) => sum + width + LOOM.block.gap, 0);
      return { row, blocks: blocks.length, left: roomOf(column) + (plate ? 0 : column.plate) - taken };
    });
    const gutters = (columns.length - 1) * (LOOM.gutter - 2 * LOOM.clear);
    const left = room.reduce((sum, row) => sum + row.left, 0) + gutters;
    const widest = room.reduce((most, row) => (row.blocks > most.blocks ? row : most), {
      row: rows[0],
      blocks: 1,
    });
    if (left < passes * LOOM.clear && widest.blocks > 1) split.set(widest.row!.group, widest.blocks - 1);
  }
  return split;
}

/** Rows with the most blocks side by side that leave room for what goes by; a group that does not fit is split further. */
function arrange(circuit: Circuit, runs: readonly Run[], width: number): Arranged {
  const chips = new Set(runs.flatMap((run) => run.chips));
  const count = columnCount(width);
  const limits = new Map<string, number>();
  const most = blocksIn(columnWidth(width, count) - LOOM.plate.least - LOOM.rowPadding);
  const rowsNow = () => rowsOf(circuit, chips, (group) => limits.get(group) ?? most);
  const order = [...new Set(orderRows(rowsNow(), runs).map(({ group }) => group))];
  for (;;) {
    const rows = rowsNow().sort((one, other) => order.indexOf(one.group) - order.indexOf(other.group));
    const columns = columnsOf(rows, joinedRows(rows, runs), width);
    const layers = layersOf(circuit, columns, runs, width);
    widen(layers, columns);
    const full = tooFull(layers, columns);
    if (full.size === 0) return { columns, layers };
    for (const [group, blocks] of full) limits.set(group, blocks);
  }
}

/** Lays a circuit out for a width in px. */
export function layLoom(circuit: Circuit, width: number): Loom {
  const { columns, layers } = arrange(circuit, runsOf(circuit), width);
  const joined = joinedOf(layers);
  orderLayers(layers, joined, columns.at(-1)?.right ?? 0);
  placeLayers(layers, columns, joined, width);
  const steps = stepsOf(layers);
  const sheet: Sheet = { layers, columns, steps, tops: [], bottoms: [], ends: [] };
  const height = stackLayers(sheet);
  const blocks = blocksOf(sheet);
  const chips = chipsOf(sheet);
  const cards = cardsOf(sheet);
  const drawn = layers.legs.map((leg) => ({ leg, spots: waypoints(sheet, leg, blocks) }));
  const boxes = [...blocks.values(), ...chips, ...cards.flatMap(({ plates }) => plates)];
  const tags = tagSpots(
    drawn.map(({ spots }) => spots),
    boxes,
  );
  const wires = drawn.map(({ leg, spots }, i): Wire => ({
    conductor: leg.conductor,
    path: rounded(spots, 8),
    tag: tags[i]!,
    loose: leg.hops[0]!.lower ? null : spots.at(-1)!,
  }));
  const free = ({ from, to }: Conductor) => from === null && to === null;
  const spares = circuit.cables.flatMap(({ conductors }) => conductors.filter(free).map(({ id }) => id));
  return { width, height, cards, blocks: [...blocks.values()], chips, wires, spares };
}

/** What is laid out, with the heights of its layers. */
interface Sheet {
  layers: Layers;
  columns: readonly Column[];
  steps: ReadonlyMap<Leg['hops'][number], Step>;
  /** Top of each layer, and where what leaves it downwards begins. */
  tops: number[];
  bottoms: number[];
  /** Where the layer ends, a plate of many words included: channels begin below it. */
  ends: number[];
}

/** Height of a layer: its blocks or chips, and plates that are taller. */
function layerHeight(layer: readonly Item[], isRow: boolean): { own: number; whole: number } {
  const rows = layer.filter(({ type }) => type === 'plate');
  const own = isRow ? LOOM.block.height : LOOM.chip.height;
  const plates = rows.map(({ row, width }) => plateHeight(row!.label, width));
  return { own, whole: Math.max(own, ...plates) };
}

/** A plate's words and the line for its state. */
const plateHeight = (label: string, width: number) =>
  Math.max(LOOM.block.height, (plateLines(label, width).length + 1) * LOOM.plate.line + 4);

/** Height between a layer and the next: channels, or room for straight conductors and their tags. */
function gapBelow({ layers, columns }: Sheet, l: number, leaving: readonly Step[]): number {
  const channels = giveChannels(leaving, [LOOM.margin / 2, columns.at(-1)!.right]);
  const [here, next] = [layers.slots[l], layers.slots[l + 1]];
  const edge = columns.some(({ rows, first }) => {
    const [one, other] = [rows[(here ?? -1) - first], rows[(next ?? -1) - first]];
    return one && other && one.station !== other.station;
  });
  const least = edge ? LOOM.cardGap : LOOM.bareGap;
  if (leaving.length === 0) return least;
  const rows = here !== null && (next ?? null) !== null;
  const across = channels > 0 ? 2 * LOOM.turn + (channels - 1) * LOOM.channel : 0;
  const loose = leaving.some(({ to }) => to === null) ? LOOM.stub + LOOM.turn : 0;
  return Math.max(least, across, loose, rows ? LOOM.wireGap : LOOM.chipGap);
}

/** Gives every layer its height on the page; answers the whole height. */
function stackLayers(sheet: Sheet): number {
  let y = LOOM.margin + LOOM.rowPadding;
  let end = y;
  const leaving: Step[][] = sheet.layers.items.map(() => []);
  for (const step of sheet.steps.values()) leaving[step.hop.upper.layer]!.push(step);
  sheet.layers.items.forEach((layer, l) => {
    const { own, whole } = layerHeight(layer, sheet.layers.slots[l] !== null);
    sheet.tops.push(y);
    sheet.bottoms.push(y + own);
    end = y + whole;
    sheet.ends.push(end);
    y = end + gapBelow(sheet, l, leaving[l]!);
    if (l === sheet.layers.items.length - 1) end = Math.max(end + LOOM.rowPadding, y);
  });
  return sheet.layers.items.length === 0 ? 0 : end + LOOM.margin;
}

function blocksOf({ layers, tops }: Sheet): Map<Item, Block> {
  const blocks = new Map<Item, Block>();
  layers.items.forEach((layer, l) =>
    layer.forEach((item) => {
      if (item.type !== 'block') return;
      const slot = item.row!.slots.find(({ terminal }) => terminal === item.id)!;
      blocks.set(item, {
        terminal: item.id,
        mark: slot.mark,
        device: splitTerminal(item.id).deviceId,
        x: item.x,
        y: tops[l]!,
        width: item.width,
        height: LOOM.block.height,
        screws: [],
      });
    }),
  );
  return blocks;
}

const chipsOf = ({ layers, tops }: Sheet): Chip[] =>
  layers.items.flatMap((layer, l) =>
    layer
      .filter(({ type }) => type === 'chip')
      .map(({ id, x, width }) => ({ device: id, x, y: tops[l]!, width, height: LOOM.chip.height })),
  );

function cardsOf({ layers, columns, tops }: Sheet): Card[] {
  const layerOf = layers.slots.flatMap((slot, l) => (slot === null ? [] : [l]));
  return columns.flatMap(({ rows, left, right, plate, first }) => {
    const cards: Card[] = [];
    rows.forEach((row, i) => {
      const y = tops[layerOf[first + i]!]!;
      const named = rows[i - 1]?.group !== row.group;
      let card = cards.at(-1);
      if (!card || card.station !== row.station) {
        card = {
          station: row.station,
          x: left,
          y: y - LOOM.rowPadding,
          width: right - left,
          height: 0,
          plates: [],
        };
        cards.push(card);
      }
      const height = named ? plateHeight(row.label, plate) : LOOM.block.height;
      card.height = y + height + LOOM.rowPadding - card.y;
      const { device, label, line } = row;
      if (named)
        card.plates.push({
          device,
          label,
          line,
          lines: plateLines(label, plate),
          x: left,
          y,
          width: plate,
          height,
        });
    });
    return cards;
  });
}

/** Corners of a conductor's way from its first screw to its last. */
function waypoints(
  { layers, steps, tops, bottoms, ends }: Sheet,
  { hops }: Leg,
  blocks: ReadonlyMap<Item, Block>,
): Spot[] {
  const spots: Spot[] = [];
  const add = (x: number, y: number) => {
    const [one, other] = [spots.at(-2), spots.at(-1)];
    // A corner in a straight line is none.
    if (one && other && ((one.x === other.x && other.x === x) || (one.y === other.y && other.y === y)))
      spots.pop();
    spots.push({ x, y });
  };
  const screw = (item: Item | null, x: number, y: number) => item && blocks.get(item)?.screws.push({ x, y });
  for (const hop of hops) {
    const { from, to, via, returns, channels } = steps.get(hop)!;
    const top = bottoms[hop.upper.layer]!;
    const [across, again] = channels.map((n) => ends[hop.upper.layer]! + LOOM.turn + n * LOOM.channel);
    add(from, top);
    screw(hop.upper, from, top);
    if (to === null) {
      add(from, Math.max(top + LOOM.stub, across!));
      continue;
    }
    const end = returns ? top : tops[hop.lower!.layer]!;
    if (across !== undefined) {
      add(from, across);
      add(via ?? to, across);
    }
    if (again !== undefined) {
      add(via!, again);
      add(to, again);
    }
    add(to, end);
    screw(hop.lower, to, end);
  }
  return layers.items.length > 0 ? spots : [];
}

/** A polyline with rounded corners. */
function rounded(spots: readonly Spot[], radius: number): string {
  return spots
    .map((spot, i) => {
      const [before, after] = [spots[i - 1], spots[i + 1]];
      if (!before) return `M${spot.x} ${spot.y}`;
      if (!after) return `L${spot.x} ${spot.y}`;
      const toward = (other: Spot) => {
        const length = Math.hypot(other.x - spot.x, other.y - spot.y);
        const share = Math.min(radius, length / 2) / (length || 1);
        return `${spot.x + (other.x - spot.x) * share} ${spot.y + (other.y - spot.y) * share}`;
      };
      return `L${toward(before)}Q${spot.x} ${spot.y} ${toward(after)}`;
    })
    .join('');
}
