/** Places what stands in each layer across the page: under what it is joined to, as far as its neighbours leave room. */
import { LOOM } from './shapes';
import type { Column } from './columns';
import type { Item, Layers } from './layers';
import type { Joined } from './order';

/** Items that move together: a chip, what passes, or blocks of a row with nothing between them. */
interface Body {
  items: Item[];
  /** Of each item from the body's left. */
  offsets: number[];
  width: number;
  /** Left edge it would like, and how much. */
  wish: number;
  weight: number;
  /** Where it may lie. */
  least: number;
  most: number;
}

const WEIGHTS = { pass: 8, chip: 0.5, block: 1, idle: 0.1 } as const;

const middle = ({ x, width }: Item) => x + width / 2;

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)]!;
}

/** Room two bodies keep between them, px. */
function between(one: Body, other: Body, abreast: number): number {
  const [a, b] = [one.items[0]!.type, other.items[0]!.type];
  if (a === 'pass' && b === 'pass') return abreast - one.width;
  if (a === 'chip' && b === 'chip') return 14;
  return LOOM.clear - 3;
}

/** What a layer holds between two plates, as bodies. */
function bodiesOf(items: readonly Item[]): Body[] {
  const bodies: Body[] = [];
  for (const item of items) {
    const last = bodies.at(-1);
    const joins = last && item.type === 'block' && last.items[0]!.row === item.row;
    if (joins) {
      last.offsets.push(last.width + LOOM.block.gap);
      last.width += LOOM.block.gap + item.width;
      last.items.push(item);
    } else
      bodies.push({ items: [item], offsets: [0], width: item.width, wish: 0, weight: 0, least: 0, most: 0 });
  }
  return bodies;
}

/** Where a body would like to be: with its screws under those they are joined to. */
function wishOf(body: Body, joined: ReadonlyMap<Item, Joined>, idle: number): void {
  const lefts = body.items.flatMap((item, i) =>
    joined.get(item)!.above.map((upper) => middle(upper) - item.width / 2 - body.offsets[i]!),
  );
  const { type } = body.items[0]!;
  body.wish = lefts.length > 0 ? median(lefts) : idle;
  body.weight = lefts.length > 0 && type !== 'plate' ? WEIGHTS[type] * lefts.length : WEIGHTS.idle;
}

/**
 * Lefts nearest to what is wished, in order and apart: isotonic regression by pooling adjacent violators, in places from
 * which the room between is taken out. (Best, Chakravarti 1990; the method is older.)
 */
function spread(bodies: readonly Body[], abreast: number): void {
  const shifts: number[] = [];
  bodies.forEach((body, i) => {
    const before = bodies[i - 1];
    shifts.push(before ? shifts[i - 1]! + before.width + between(before, body, abreast) : 0);
  });
  const pools: { wish: number; weight: number; count: number }[] = [];
  bodies.forEach(({ wish, weight }, i) => {
    pools.push({ wish: wish - shifts[i]!, weight, count: 1 });
    while (pools.length > 1 && pools.at(-2)!.wish > pools.at(-1)!.wish) {
      const [last, one] = [pools.pop()!, pools.pop()!];
      const weight = one.weight + last.weight;
      pools.push({
        wish: (one.wish * one.weight + last.wish * last.weight) / weight,
        weight,
        count: one.count + last.count,
      });
    }
  });
  const free = pools.flatMap(({ wish, count }) => Array.from({ length: count }, () => wish));
  // Bounds are kept from both sides; where they cannot both be, the left one holds.
  for (let i = bodies.length - 1, most = Infinity; i >= 0; i--)
    free[i] = most = Math.min(most, free[i]!, bodies[i]!.most - bodies[i]!.width - shifts[i]!);
  for (let i = 0, least = -Infinity; i < bodies.length; i++)
    free[i] = least = Math.max(least, free[i]!, bodies[i]!.least - shifts[i]!);
  bodies.forEach((body, i) =>
    body.items.forEach((item, k) => {
      item.x = Math.round(free[i]! + shifts[i]! + body.offsets[k]!);
    }),
  );
}

/** Least room two conductors side by side need, px: their lines do not touch. */
const TIGHT = 9;

/** Places one stretch of a layer between two plates, or between a plate and the edge. */
function placeStretch(
  items: readonly Item[],
  from: number,
  to: number,
  columns: readonly Column[],
  joined: ReadonlyMap<Item, Joined>,
): void {
  if (items.length === 0) return;
  const bodies = bodiesOf(items);
  for (const body of bodies) {
    const { column, type } = body.items[0]!;
    const own = column === null ? null : columns[column]!;
    // Blocks stand in line beside their plate, also in rows that have none of their own.
    body.least = own ? Math.max(from, own.left + own.plate) : from;
    body.most = own ? Math.min(to, own.right - LOOM.rowPadding / 2) : to;
    wishOf(body, joined, type === 'block' ? body.least : (from + to) / 2);
  }
  const passes = bodies.filter(({ items: [first] }) => first!.type === 'pass').length;
  const taken = bodies.reduce(
    (sum, { width, items: [first] }) => (first!.type === 'pass' ? sum : sum + width),
    0,
  );
  const abreast = passes > 0 ? (to - from - taken) / (passes + 1) : LOOM.abreast;
  spread(bodies, Math.max(TIGHT, Math.min(LOOM.abreast, abreast)));
}

/** Places everything; blocks are as wide as their row leaves them room. */
export function placeLayers(
  { items, slots }: Layers,
  columns: readonly Column[],
  joined: ReadonlyMap<Item, Joined>,
  width: number,
): void {
  const edge = width - LOOM.margin - LOOM.clear;
  items.forEach((layer, l) => {
    let from: number = LOOM.margin + LOOM.clear;
    let stretch: Item[] = [];
    for (const item of layer) {
      if (item.type !== 'plate') {
        stretch.push(item);
        continue;
      }
      placeStretch(stretch, from, item.x - LOOM.clear, columns, joined);
      from = item.x + item.width;
      stretch = [];
    }
    placeStretch(stretch, slots[l] === null ? LOOM.margin + LOOM.clear : from, edge, columns, joined);
  });
}
