/** How tidy a loom is drawn: what its conductors cross, run behind and run along, measured on the shapes themselves. */
import type { Loom, Rect, Spot } from '../drawing';

interface Stroke {
  conductor: string;
  from: Spot;
  to: Spot;
}

/** Straight pieces a curve is cut into: a long one, and a corner. */
const PIECES = { C: 12, Q: 4 } as const;
/** Nearer than this to an end two conductors meet on a screw, px. */
const AT_SCREW = 12;
/** Conductors side by side nearer than this are drawn over one another, px. */
const ABREAST = 8;
/** Pieces of a corner are shorter than this, px: side by side they are only round. */
const SHORT = 4;
/** A box is entered where a conductor's middle is this far inside it, px. */
const INSIDE = 2;

/** A path of M, L, Q and C as straight strokes. */
function strokesOf(conductor: string, path: string): Stroke[] {
  const strokes: Stroke[] = [];
  let at: Spot = { x: 0, y: 0 };
  for (const [, letter, figures] of path.matchAll(/([MLQC])([^MLQC]*)/g)) {
    const n = figures!
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    const spots = Array.from({ length: n.length / 2 }, (_, i) => ({ x: n[2 * i]!, y: n[2 * i + 1]! }));
    const last = spots.at(-1)!;
    const start = at;
    if (letter === 'L') strokes.push({ conductor, from: at, to: last });
    if (letter === 'Q' || letter === 'C')
      for (let i = 1; i <= PIECES[letter]; i++) {
        const to = bezier([start, ...spots], i / PIECES[letter]);
        strokes.push({ conductor, from: at, to });
        at = to;
      }
    at = last;
  }
  return strokes;
}

function bezier(spots: readonly Spot[], t: number): Spot {
  if (spots.length === 1) return spots[0]!;
  const next = spots.slice(1).map((spot, i) => ({
    x: spots[i]!.x + (spot.x - spots[i]!.x) * t,
    y: spots[i]!.y + (spot.y - spots[i]!.y) * t,
  }));
  return bezier(next, t);
}

const turn = (a: Spot, b: Spot, c: Spot) => Math.sign((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));

/** Whether two strokes cross, an end of one on the other not counted. */
const crosses = (one: Stroke, other: Stroke) =>
  turn(one.from, one.to, other.from) * turn(one.from, one.to, other.to) < 0 &&
  turn(other.from, other.to, one.from) * turn(other.from, other.to, one.to) < 0;

/** Length over which two strokes run side by side, the stretch at a screw they share not counted. */
function abreast(one: Stroke, other: Stroke): number {
  const length = ({ from, to }: Stroke) => Math.hypot(to.x - from.x, to.y - from.y);
  const along = length(one);
  if (Math.min(along, length(other)) < SHORT) return 0;
  const unit = { x: (one.to.x - one.from.x) / along, y: (one.to.y - one.from.y) / along };
  const place = ({ x, y }: Spot) => ({
    along: (x - one.from.x) * unit.x + (y - one.from.y) * unit.y,
    aside: Math.abs((x - one.from.x) * unit.y - (y - one.from.y) * unit.x),
  });
  const [a, b] = [place(other.from), place(other.to)];
  if (Math.max(a.aside, b.aside) >= ABREAST || Math.abs(a.aside - b.aside) > 1) return 0;
  return Math.max(0, Math.min(along, Math.max(a.along, b.along)) - Math.max(0, Math.min(a.along, b.along)));
}

/** Whether a stroke enters a box: Liang and Barsky's clipping. */
function enters({ from, to }: Stroke, { x, y, width, height }: Rect): boolean {
  let [first, last] = [0, 1];
  const sides = [
    [from.x - to.x, from.x - (x + INSIDE)],
    [to.x - from.x, x + width - INSIDE - from.x],
    [from.y - to.y, from.y - (y + INSIDE)],
    [to.y - from.y, y + height - INSIDE - from.y],
  ] as const;
  for (const [step, room] of sides) {
    if (step === 0 && room < 0) return false;
    if (step < 0) first = Math.max(first, room / step);
    if (step > 0) last = Math.min(last, room / step);
  }
  return first < last;
}

/** Pairs of strokes of different conductors near enough to meet, found by going down the page. */
function* pairsNear(strokes: readonly Stroke[]): Generator<[Stroke, Stroke]> {
  const low = ({ from, to }: Stroke, way: 'x' | 'y') => Math.min(from[way], to[way]);
  const high = ({ from, to }: Stroke, way: 'x' | 'y') => Math.max(from[way], to[way]) + ABREAST;
  let open: Stroke[] = [];
  for (const stroke of [...strokes].sort((one, other) => low(one, 'y') - low(other, 'y'))) {
    const top = low(stroke, 'y');
    open = open.filter((other) => high(other, 'y') >= top);
    for (const other of open)
      if (
        other.conductor !== stroke.conductor &&
        low(other, 'x') <= high(stroke, 'x') &&
        low(stroke, 'x') <= high(other, 'x')
      )
        yield [other, stroke];
    open.push(stroke);
  }
}

export interface Tidiness {
  /** Where one conductor crosses another. */
  crossings: number;
  /** A conductor behind a block, a plate or a chip. */
  behind: number;
  /** Two conductors drawn along one another. */
  along: number;
  /** A conductor that runs neither up, down nor across for longer than a corner. */
  slanting: number;
}

const CORNER = 14;

export function tidinessOf(loom: Loom): Tidiness {
  const wires = loom.wires.map(({ conductor, path }) => strokesOf(conductor, path));
  const boxes = [...loom.blocks, ...loom.chips, ...loom.cards.flatMap(({ plates }) => plates)];
  const ends = new Map(
    wires.map((strokes) => [strokes[0]!.conductor, [strokes[0]!.from, strokes.at(-1)!.to]] as const),
  );
  const atScrew = (one: string, other: string) =>
    ends
      .get(one)!
      .some((end) => ends.get(other)!.some((spot) => Math.hypot(spot.x - end.x, spot.y - end.y) < AT_SCREW));
  let crossings = 0;
  const sides = new Map<string, number>();
  for (const [one, other] of pairsNear(wires.flat())) {
    if (crosses(one, other)) crossings++;
    const side = abreast(one, other);
    const pair = [one.conductor, other.conductor].sort().join(' ');
    if (side > 0) sides.set(pair, (sides.get(pair) ?? 0) + side);
  }
  const along = [...sides].filter(([pair, side]) => {
    const [one, other] = pair.split(' ') as [string, string];
    return side > (atScrew(one, other) ? 2 * AT_SCREW : 2);
  }).length;
  const behind = wires.reduce(
    (sum, strokes) => sum + boxes.filter((box) => strokes.some((stroke) => enters(stroke, box))).length,
    0,
  );
  const slanting = wires.filter((strokes) =>
    strokes.some(({ from, to }) => {
      const [dx, dy] = [Math.abs(from.x - to.x), Math.abs(from.y - to.y)];
      return Math.min(dx, dy) > 0.5 && Math.hypot(dx, dy) > CORNER;
    }),
  ).length;
  return { crossings, behind, along, slanting };
}
