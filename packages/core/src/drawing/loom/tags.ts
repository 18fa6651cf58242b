/** Where the colour tags of conductors stand: on the conductor, and on as little else as can be. */
import type { Rect, Spot } from '../shapes';

/** A tag's size with a little air, px. */
const TAG = { width: 28, height: 18 } as const;
/** From one place that is tried to the next, px. */
const EVERY = 8;
/** What a tag over a block, a chip or a plate, over another tag, or over another conductor costs. */
const COST = { box: 1000, tag: 40, wire: 10 } as const;
/** Where a tag is looked for first: so far along from the screw, px. */
const NEAR = 26;

interface Stretch {
  wire: number;
  box: Rect;
}

const around = ({ x, y }: Spot): Rect => ({
  x: x - TAG.width / 2,
  y: y - TAG.height / 2,
  width: TAG.width,
  height: TAG.height,
});

const meet = (one: Rect, other: Rect) =>
  one.x < other.x + other.width &&
  other.x < one.x + one.width &&
  one.y < other.y + other.height &&
  other.y < one.y + one.height;

/** Half of a conductor's line, px. */
const HALF = 4;

const stretchesOf = (wire: number, spots: readonly Spot[]): Stretch[] =>
  spots.slice(1).map((to, i) => {
    const from = spots[i]!;
    const [x, y] = [Math.min(from.x, to.x) - HALF, Math.min(from.y, to.y) - HALF];
    return {
      wire,
      box: { x, y, width: Math.abs(to.x - from.x) + 2 * HALF, height: Math.abs(to.y - from.y) + 2 * HALF },
    };
  });

/** Places along a conductor where its tag may stand, its ends and corners left out where it is long enough. */
function placesAlong(spots: readonly Spot[]): { at: Spot; way: number }[] {
  let way = 0;
  return spots.slice(1).flatMap((to, i) => {
    const from = spots[i]!;
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    const count = Math.max(1, Math.floor(length / EVERY));
    const begun = way;
    way += length;
    return Array.from({ length: count }, (_, k) => {
      const t = (k + 0.5) / count;
      return {
        at: { x: Math.round(from.x + (to.x - from.x) * t), y: Math.round(from.y + (to.y - from.y) * t) },
        way: begun + t * length,
      };
    });
  });
}

/** Height of a band of the page: what a tag meets lies in its own band or the next. */
const BAND = 64;

/** What lies near a tag, found by bands of the page's height. */
function nearby<T>(things: readonly T[], boxOf: (thing: T) => Rect): (tag: Rect) => readonly T[] {
  const bands: T[][] = [];
  const bandAt = (y: number) => Math.max(0, Math.floor(y / BAND));
  for (const thing of things) {
    const { y, height } = boxOf(thing);
    // A tag is lower than a band: it begins in this one or in the one above.
    for (let band = Math.max(0, bandAt(y) - 1); band <= bandAt(y + height); band++)
      (bands[band] ??= []).push(thing);
  }
  return (tag) => (bands[bandAt(tag.y)] ?? []).filter((thing) => meet(tag, boxOf(thing)));
}

/** A spot for the tag of each conductor, given by the corners of its way. */
export function tagSpots(wires: readonly (readonly Spot[])[], boxes: readonly Rect[]): Spot[] {
  const wiresAt = nearby(
    wires.flatMap((spots, wire) => stretchesOf(wire, spots)),
    ({ box }) => box,
  );
  const boxesAt = nearby(boxes, (box) => box);
  const tags: Rect[] = [];
  return wires.map((spots, wire) => {
    let best = spots[0]!;
    let least = Infinity;
    for (const { at, way } of placesAlong(spots)) {
      // Near the screw it belongs to, but not at it.
      const far = Math.abs(way - NEAR) / 40;
      if (far >= least) continue;
      const tag = around(at);
      const cost =
        far +
        boxesAt(tag).length * COST.box +
        tags.filter((other) => meet(tag, other)).length * COST.tag +
        wiresAt(tag).filter((other) => other.wire !== wire).length * COST.wire;
      if (cost >= least) continue;
      [best, least] = [at, cost];
    }
    tags.push(around(best));
    return best;
  });
}
