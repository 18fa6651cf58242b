/**
 * Geometry of the loom: stations down the page, each a card of terminal blocks, and
 * conductors running between the blocks' screws. Plain shapes, no colours and no volts,
 * so a circuit is laid out once per width.
 */
import type { Circuit, Conductor } from '../circuit';
import { findDevice } from '../circuit';
import type { Gaps, Route } from './routes';
import { lanesBeside, routesOf } from './routes';
import type { Row } from './rows';
import { blocksAcross, orderRows, placeBlocks, rowsOf } from './rows';
import type { Run } from './runs';
import { runsOf } from './runs';
import type { Block, Card, Chip, Loom, Spot, Wire } from './shapes';
import { LOOM, centre } from './shapes';

/** A chip shows its label and a word of state. */
const chipWidth = (label: string) => Math.max(96, Math.min(190, 66 + label.length * 8));
/** How far a chip reaches to the right of its run. */
const CHIP_OVERHANG = 34;

interface Placed {
  chips: Chip[];
  /** Levels of chips in each gap. */
  levels: number[];
  /** Level of every chip of every route and where the run meets it, in the order of the run. */
  stacks: { x: number; level: number }[][];
}

interface Sheet {
  circuit: Circuit;
  width: number;
  rows: Row[];
  routes: Route[];
  gaps: Gaps;
  placed: Placed;
}

interface Arranged {
  rows: Row[];
  routes: Route[];
  gaps: Gaps;
}

/**
 * Rows with the most blocks side by side that still leave every block its width beside the lanes: a
 * group that does not fit is split further, the others are left as they are.
 */
function arrange(circuit: Circuit, runs: readonly Run[], width: number): Arranged {
  const chips = new Set(runs.flatMap((run) => run.chips));
  const most = blocksAcross(width, 0);
  const limits = new Map<string, number>();
  for (;;) {
    const rows = orderRows(
      rowsOf(circuit, chips, (group) => limits.get(group) ?? most),
      runs,
    );
    const { routes, gaps } = routesOf(rows, runs);
    const tight = rows.find(
      ({ slots }, i) => slots.length > 1 && slots.length > blocksAcross(width, lanesBeside(i, routes)),
    );
    if (!tight) return { rows, routes, gaps };
    limits.set(tight.group, tight.slots.length - 1);
  }
}

/** Lays a circuit out for a width in px. */
export function layLoom(circuit: Circuit, width: number): Loom {
  const { rows, routes, gaps } = arrange(circuit, runsOf(circuit), width);
  rows.forEach((row, i) => placeBlocks(row, width, lanesBeside(i, routes)));
  const blocks = new Map(rows.flatMap((row) => row.blocks.map((block) => [block.terminal, block] as const)));
  const sheet: Sheet = {
    circuit,
    width,
    rows,
    routes,
    gaps,
    placed: stackChips(circuit, routes, blocks, width),
  };
  const cards = stackRows(sheet);
  const wires = drawRoutes(sheet, blocks);
  const free = ({ from, to }: Conductor) => from === null && to === null;
  const spares = circuit.cables.flatMap(({ conductors }) => conductors.filter(free).map(({ id }) => id));
  const last = rows.length - 1;
  const below = gaps.crossed[last] ? gapHeight(sheet, last) : LOOM.rowPadding;
  const height = last < 0 ? 0 : rows[last]!.y + LOOM.block.height + below + LOOM.margin;
  return { width, height, cards, blocks: [...blocks.values()], chips: sheet.placed.chips, wires, spares };
}

/** Order of a run's parts from its upper end. */
function fromTop({ run, start }: Route): { conductors: Conductor[]; chips: string[] } {
  const forward = run.from === start.terminal;
  return forward ? run : { conductors: [...run.conductors].reverse(), chips: [...run.chips].reverse() };
}

/** Where a chip stands beside its run: to the side on which it hides fewer other runs. */
function chipLeft(middle: number, chip: number, others: readonly number[], width: number): number {
  const fit = (left: number) => Math.min(Math.max(left, LOOM.margin + 8), width - 2 * LOOM.margin - chip);
  const hidden = (left: number) => others.filter((x) => x > left - 6 && x < left + chip + 6).length;
  const sides = [fit(middle - chip + CHIP_OVERHANG), fit(middle - CHIP_OVERHANG)] as const;
  return hidden(sides[1]) < hidden(sides[0]) ? sides[1] : sides[0];
}

/** Gives every chip a level of its gap that no other chip crosses. */
function stackChips(
  circuit: Circuit,
  routes: readonly Route[],
  blocks: ReadonlyMap<string, Block>,
  width: number,
): Placed {
  const taken: { from: number; to: number }[][][] = [];
  const chips: Chip[] = [];
  const middles = routes.map((route) => {
    const x = centre(blocks.get(route.start.terminal)!);
    return route.end && route.lane === null ? (x + centre(blocks.get(route.end.terminal)!)) / 2 : x;
  });
  const stacks = routes.map((route, r) => {
    const gap = (taken[route.start.row] ??= []);
    const middle = middles[r]!;
    const others = routes.flatMap(({ start }, i) =>
      i !== r && start.row === route.start.row ? [centre(blocks.get(start.terminal)!)] : [],
    );
    let level = 0;
    return fromTop(route).chips.map((id) => {
      const chip = chipWidth(findDevice(circuit, id)!.label);
      const left = chipLeft(middle, chip, others, width);
      const x = Math.max(middle, left + LOOM.block.gap);
      const span = { from: left - 8, to: left + chip + 8 };
      while ((gap[level] ?? []).some(({ from, to }) => from < span.to && to > span.from)) level++;
      (gap[level] ??= []).push(span);
      chips.push({ device: id, x: left, y: 0, width: chip, height: LOOM.chip.height });
      return { x, level: level++ };
    });
  });
  return { chips, levels: Array.from({ length: taken.length }, (_, gap) => taken[gap]?.length ?? 0), stacks };
}

const newCard = ({ rows }: Sheet, gap: number) => rows[gap + 1]?.station !== rows[gap]!.station;

/** Where the chips of a gap begin, below its row. */
const chipStart = ({ gaps }: Sheet, gap: number) => LOOM.wireGap / 2 - 6 + gaps.out[gap]! * LOOM.turn;

/** Height of the gap below a row: turns out, chips, turns in, and room for bare conductors. */
function gapHeight(sheet: Sheet, gap: number): number {
  const { gaps, placed } = sheet;
  const least = newCard(sheet, gap) ? LOOM.cardGap : LOOM.bareGap;
  if (!gaps.crossed[gap]) return least;
  const levels = placed.levels[gap] ?? 0;
  const turns = (gaps.out[gap]! + gaps.in[gap]!) * LOOM.turn;
  const chips = levels > 0 ? levels * (LOOM.chip.height + LOOM.chip.gap) : 0;
  return Math.max(LOOM.wireGap + turns + chips, least);
}

function stackRows(sheet: Sheet): Card[] {
  const cards: Card[] = [];
  const { rows, width } = sheet;
  let y: number = LOOM.margin + LOOM.rowPadding;
  rows.forEach((row, i) => {
    row.y = y;
    for (const block of row.blocks) block.y = y;
    let card = cards[cards.length - 1];
    if (!card || card.station !== row.station)
      cards.push(
        (card = {
          station: row.station,
          x: LOOM.margin,
          y: y - LOOM.rowPadding,
          width: width - 2 * LOOM.margin,
          height: 0,
          plates: [],
        }),
      );
    card.height = y + LOOM.block.height + LOOM.rowPadding - card.y;
    card.plates.push({
      device: row.device,
      label: row.label,
      line: row.line,
      x: card.x,
      y,
      width: LOOM.plate,
      height: LOOM.block.height,
    });
    y += LOOM.block.height + gapHeight(sheet, i);
  });
  return cards;
}

/** The screw on a block's top or bottom edge. */
function screw(block: Block, top: boolean): Spot {
  const y = top ? block.y : block.y + block.height;
  const found = block.screws.find((spot) => spot.y === y);
  if (found) return found;
  const spot = { x: centre(block), y };
  block.screws.push(spot);
  return spot;
}

function drawRoutes(sheet: Sheet, blocks: ReadonlyMap<string, Block>): Wire[] {
  const { rows, routes, placed } = sheet;
  const chipAt = new Map(placed.chips.map((chip) => [chip.device, chip]));
  return routes.flatMap((route, r) => {
    const { conductors, chips } = fromTop(route);
    const gapTop = rows[route.start.row]!.y + LOOM.block.height;
    const joints = placed.stacks[r]!.map(({ x, level }, i) => {
      const y = gapTop + chipStart(sheet, route.start.row) + level * (LOOM.chip.height + LOOM.chip.gap);
      chipAt.get(chips[i]!)!.y = y;
      return { x, top: y, bottom: y + LOOM.chip.height };
    });
    const end = route.end ? screw(blocks.get(route.end.terminal)!, route.end.row !== route.start.row) : null;
    let at = screw(blocks.get(route.start.terminal)!, false);
    return conductors.map((conductor, i) => {
      const joint = joints[i];
      const target = joint ? { x: joint.x, y: joint.top } : end;
      const wire = !target
        ? looseWire(conductor, at)
        : joint || route.lane === null
          ? directWire(conductor, at, target)
          : laneWire(sheet, conductor, at, target, route);
      if (joint) at = { x: joint.x, y: joint.bottom };
      return wire;
    });
  });
}

function looseWire({ id }: Conductor, { x, y }: Spot): Wire {
  const loose = { x, y: y + LOOM.stub };
  return { conductor: id, path: `M${x} ${y}L${x} ${loose.y}`, tag: { x, y: y + LOOM.stub / 2 }, loose };
}

/** Point of a cubic curve whose handles are vertical, at share `t` of the way. */
function onCurve(from: Spot, to: Spot, fromBend: number, toBend: number, t: number): Spot {
  const u = 1 - t;
  const near = u ** 3 + 3 * u ** 2 * t;
  const far = 1 - near;
  const y = u ** 3 * from.y + 3 * u ** 2 * t * fromBend + 3 * u * t ** 2 * toBend + t ** 3 * to.y;
  return { x: near * from.x + far * to.x, y };
}

/** Tags stand before the middle of a slanting conductor: crossing ones meet in the middle. */
const TAG_SHARE = 0.34;

function directWire({ id }: Conductor, from: Spot, to: Spot): Wire {
  if (from.x === to.x) {
    const tag = { x: from.x, y: (from.y + to.y) / 2 };
    return { conductor: id, path: `M${from.x} ${from.y}L${to.x} ${to.y}`, tag, loose: null };
  }
  // Two blocks of one row are joined by a loop hanging below them.
  const loop = from.y === to.y;
  const bend = loop ? 44 : (to.y - from.y) / 2;
  const [upper, lower] = [from.y + bend, loop ? to.y + bend : to.y - bend];
  const path = `M${from.x} ${from.y}C${from.x} ${upper} ${to.x} ${lower} ${to.x} ${to.y}`;
  return { conductor: id, path, tag: onCurve(from, to, upper, lower, TAG_SHARE), loose: null };
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

/** Least sideways way to a lane that leaves room for a tag on it. */
const ROOM_FOR_TAG = 70;

function laneWire(sheet: Sheet, { id }: Conductor, from: Spot, to: Spot, route: Route): Wire {
  const side = sheet.width - LOOM.margin - LOOM.lane / 2 - route.lane! * LOOM.lane;
  const out = from.y + 14 + route.turnOut * LOOM.turn;
  const into = to.y - 14 - route.turnIn * LOOM.turn;
  const corners = [
    from,
    { x: from.x, y: out },
    { x: side, y: out },
    { x: side, y: into },
    { x: to.x, y: into },
    to,
  ];
  return {
    conductor: id,
    path: rounded(corners, 10),
    tag: side - from.x > ROOM_FOR_TAG ? { x: side - 26, y: out } : { x: side, y: out + 36 },
    loose: null,
  };
}
