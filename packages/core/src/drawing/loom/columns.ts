/** Places in columns: one below another on a phone, side by side where there is room. */
import type { Row } from './rows';
import { plateWidth } from './rows';
import { LOOM } from './shapes';

/** A column of cards: where it begins and ends, how wide its plates are, and its rows from the top. */
export interface Column {
  left: number;
  right: number;
  plate: number;
  rows: Row[];
  /** Slot of its first row: a column may begin lower than the one beside it. */
  first: number;
}

/** Least width of a column beside another, px: a thermostat's five screws beside their plate. */
const LEAST_COLUMN = 350;

/** Room for blocks, and for conductors that go by, in a row of a column, px. */
export const roomOf = ({ left, right, plate }: Column) => right - left - plate - LOOM.rowPadding;

/** How many blocks stand side by side in a column of that room. */
export const blocksIn = (room: number) =>
  Math.max(1, Math.floor((room + LOOM.block.gap) / (LOOM.block.width + LOOM.block.gap)));

/** Cards side by side that fit a width. */
export function columnCount(width: number): number {
  const inner = width - 2 * LOOM.margin + LOOM.gutter;
  return Math.max(1, Math.floor(inner / (LEAST_COLUMN + LOOM.gutter)));
}

/** Width of each of so many columns, px. */
export const columnWidth = (width: number, count: number) =>
  Math.floor((width - 2 * LOOM.margin - (count - 1) * LOOM.gutter) / count);

/** Every way to give so many places to columns, the first place to the first. */
function* dealings(places: number, count: number): Generator<number[]> {
  const all = count ** Math.max(0, places - 1);
  for (let n = 0; n < all; n++)
    yield Array.from({ length: places }, (_, i) => (i === 0 ? 0 : Math.floor(n / count ** (i - 1)) % count));
}

/** More places than this are dealt out in turn. */
const MOST_DEALT = 7;

/** Which column each place stands in: so that the longest column is as short as can be. */
function dealPlaces(rowsOfPlace: readonly number[], count: number): number[] {
  if (count === 1) return rowsOfPlace.map(() => 0);
  if (rowsOfPlace.length > MOST_DEALT) return rowsOfPlace.map((_, i) => i % count);
  let best: number[] = [];
  let least = Infinity;
  for (const dealt of dealings(rowsOfPlace.length, count)) {
    const heights = Array.from({ length: count }, (_, column) =>
      rowsOfPlace.reduce((sum, rows, i) => sum + (dealt[i] === column ? rows : 0), 0),
    );
    const tallest = Math.max(...heights);
    if (tallest >= least) continue;
    [best, least] = [dealt, tallest];
  }
  return best;
}

/** Steps down a column may begin at. */
const MOST_STAGGERED = 3;
/** What beginning a step lower costs, against a conductor that has to go down and come up again. */
const STEP_COST = 3;

/**
 * Where each column begins: lower than the one before, where that spares conductors between them from going down and
 * coming up again; those cross one another, those that only go down need not.
 */
function stagger(columns: readonly Column[], joins: readonly (readonly [Row, Row])[]): void {
  const slotOf = new Map<Row, number>();
  columns.forEach((column, k) => {
    const cost = (first: number) => {
      column.rows.forEach((row, i) => slotOf.set(row, first + i));
      const level = joins.filter(([one, other]) => {
        const own = column.rows.includes(one) !== column.rows.includes(other);
        return own && slotOf.has(one) && slotOf.get(one) === slotOf.get(other);
      });
      return level.length + first * STEP_COST;
    };
    const tries = Array.from({ length: k === 0 ? 1 : MOST_STAGGERED }, (_, first) => cost(first));
    column.first = tries.indexOf(Math.min(...tries));
    cost(column.first);
  });
}

/** A column of fewer rows than this does not pay. */
const LEAST_ROWS = 4;

/** Rows in columns, places whole and in their order. */
export function columnsOf(
  rows: readonly Row[],
  joins: readonly (readonly [Row, Row])[],
  width: number,
): Column[] {
  const places = [...new Set(rows.map(({ station }) => station))];
  const worth = Math.ceil(rows.length / LEAST_ROWS);
  const count = Math.max(1, Math.min(columnCount(width), places.length, worth));
  const own = (place: string) => rows.filter(({ station }) => station === place);
  const dealt = dealPlaces(
    places.map((place) => own(place).length),
    count,
  );
  const wide = columnWidth(width, count);
  const columns = Array.from({ length: count }, (_, column) => {
    const mine = places.filter((_, i) => dealt[i] === column).flatMap(own);
    const left = LOOM.margin + column * (wide + LOOM.gutter);
    return { left, right: left + wide, plate: plateWidth(mine), rows: mine, first: 0 };
  });
  stagger(columns, joins);
  return columns;
}
