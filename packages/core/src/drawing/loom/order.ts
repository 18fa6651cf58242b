/** The order of what passes a layer, and of chips, in which conductors cross least. Plates and blocks keep theirs. */
import type { Item, Layers } from './layers';
import { LOOM } from './shapes';

/** What an item is joined to above it, below it, and beside it below its own layer. */
export interface Joined {
  above: Item[];
  below: Item[];
  beside: Item[];
}

export function joinedOf({ items, legs }: Layers): Map<Item, Joined> {
  const joined = new Map(items.flat().map((item) => [item, { above: [], below: [], beside: [] } as Joined]));
  for (const { hops } of legs)
    for (const { upper, lower } of hops) {
      if (!lower) continue;
      if (upper.layer === lower.layer) {
        joined.get(upper)!.beside.push(lower);
        joined.get(lower)!.beside.push(upper);
      } else {
        joined.get(upper)!.below.push(lower);
        joined.get(lower)!.above.push(upper);
      }
    }
  return joined;
}

const isFree = ({ type }: Item) => type === 'pass' || type === 'chip';

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** A first order: what is free stands under what it comes from. */
function firstOrder(layers: Layers, joined: ReadonlyMap<Item, Joined>): void {
  const at = new Map<Item, number>();
  layers.items.forEach((layer, l) => {
    const fixed = layer.filter((item) => !isFree(item));
    let reach = 0;
    for (const item of fixed) {
      reach = Math.max(reach, item.x);
      at.set(item, reach + item.width / 2);
      reach += item.width + 5;
    }
    const free = layer.filter(isFree).map((item) => {
      const above = joined.get(item)!.above.map((upper) => at.get(upper)!);
      return { item, x: above.length > 0 ? mean(above) : reach };
    });
    for (const { item, x } of free) at.set(item, x);
    // Each goes before the first fixed item that lies to its right: those keep their order.
    const order = [...fixed];
    for (const { item, x } of free.sort((one, other) => one.x - other.x)) {
      const before = order.findIndex((other) => at.get(other)! > x);
      order.splice(before < 0 ? order.length : Math.max(before, order[0]?.type === 'plate' ? 1 : 0), 0, item);
    }
    layers.items[l] = order;
  });
}

const places = (layer: readonly Item[] | undefined) =>
  new Map((layer ?? []).map((item, i) => [item, i] as const));

/** By how many crossings it is better that `item` stands to the left of `other` than to its right. */
function lean(
  item: Joined,
  other: Joined,
  above: ReadonlyMap<Item, number>,
  below: ReadonlyMap<Item, number>,
): number {
  let sum = 0;
  for (const a of item.above) for (const b of other.above) sum += Math.sign(above.get(b)! - above.get(a)!);
  for (const a of item.below) for (const b of other.below) sum += Math.sign(below.get(b)! - below.get(a)!);
  return sum;
}

/** Moves one free item of a layer to where it crosses least; true if that is elsewhere. */
function settle(
  layer: Item[],
  item: Item,
  joined: ReadonlyMap<Item, Joined>,
  above: Map<Item, number>,
  below: Map<Item, number>,
): boolean {
  const from = layer.indexOf(item);
  const rest = layer.filter((other) => other !== item);
  const mine = joined.get(item)!;
  const index = places(rest);
  const first = rest[0]?.type === 'plate' ? 1 : 0;
  let [cost, best, bestAt] = [0, Infinity, from];
  for (let at = 0; at <= rest.length; at++) {
    // Equal ones are told apart by how far they are: what stands well stays.
    const worth = cost + Math.abs(at - from) * 1e-3;
    if (at >= first && worth < best - 1e-9) [best, bestAt] = [worth, at];
    const other = rest[at];
    if (!other) break;
    const theirs = joined.get(other)!;
    cost += lean(mine, theirs, above, below);
    if (mine.below.length > 0)
      for (const partner of theirs.beside) {
        const there = index.get(partner);
        if (there !== undefined) cost += there > at ? mine.below.length : -mine.below.length;
      }
  }
  if (bestAt === from) return false;
  layer.splice(from, 1);
  layer.splice(bestAt, 0, item);
  return true;
}

/** Items between two plates side by side, or between a plate and the edge. */
interface Stretch {
  items: Item[];
  room: number;
}

/** Room that items take side by side at their closest, px. */
const roomTaken = (items: readonly Item[]) =>
  items.reduce<number>(
    (sum, { type, width }) => sum + (type === 'pass' ? LOOM.clear : width + LOOM.block.gap),
    LOOM.clear,
  );

/** Where plates stand side by side, moves conductors past a plate out of a stretch that is too full for them. */
function relieve(layer: readonly Item[], edge: number): Item[] {
  const plates = layer.filter(({ type }) => type === 'plate');
  const bounds = [...plates.map(({ x }) => x), edge];
  const stretches = [0, ...plates.map((plate) => layer.indexOf(plate) + 1)].map((from, k): Stretch => {
    const to = k < plates.length ? layer.indexOf(plates[k]!) : layer.length;
    const left = k === 0 ? LOOM.margin : plates[k - 1]!.x + plates[k - 1]!.width;
    return { items: layer.slice(from, to), room: bounds[k]! - left };
  });
  const hand = (from: Stretch, to: Stretch | undefined, forward: boolean) => {
    while (to && roomTaken(from.items) > from.room) {
      const at = forward ? from.items.findLastIndex(isFree) : from.items.findIndex(isFree);
      // Only what stands at the plate can go past it: blocks keep their order.
      if (at < 0) return;
      const [item] = from.items.splice(at, 1);
      if (forward) to.items.unshift(item!);
      else to.items.push(item!);
    }
  };
  stretches.forEach((stretch, k) => hand(stretch, stretches[k + 1], true));
  for (let k = stretches.length - 1; k > 1; k--) hand(stretches[k]!, stretches[k - 1], false);
  return stretches.flatMap(({ items }, k) => [...items, ...(plates[k] ? [plates[k]] : [])]);
}

const SWEEPS = 6;

/**
 * Orders what is free in every layer, in place.
 * @param edge - right edge of what may be drawn on, px
 */
export function orderLayers(layers: Layers, joined: ReadonlyMap<Item, Joined>, edge: number): void {
  firstOrder(layers, joined);
  const { items } = layers;
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    let moved = false;
    const down = items.map((_, l) => l);
    for (const l of sweep % 2 === 0 ? down : down.reverse()) {
      const layer = items[l]!;
      const [above, below] = [places(items[l - 1]), places(items[l + 1])];
      for (const item of layer.filter(isFree)) moved = settle(layer, item, joined, above, below) || moved;
    }
    if (!moved) break;
  }
  items.forEach((layer, l) => {
    if (layer.filter(({ type }) => type === 'plate').length > 1) items[l] = relieve(layer, edge);
  });
}
