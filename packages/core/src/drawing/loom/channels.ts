/** Conductors between two layers: the screws they leave and enter by, and the channels they run across in. */
import type { Hop, Item, Layers } from './layers';
import { LOOM } from './shapes';

/** A step with its places: where it leaves the upper layer, and where it enters the lower one (or comes up again). */
export interface Step {
  hop: Hop;
  from: number;
  to: number | null;
  /** Comes up again beside where it went down. */
  returns: boolean;
  /** Channels it runs across in, from the top: none if it goes straight down, two if it changes its place between. */
  channels: number[];
  /** Where it goes down between two channels. */
  via: number | null;
}

const middle = ({ x, width }: Item) => x + width / 2;

/** How far from its edge a screw stands, px. */
const EDGE = { block: 9, chip: 22, pass: 4, plate: 0 } as const;

interface Pin {
  step: Step;
  end: 'from' | 'to';
  /** Where the other end is. */
  toward: number;
}

/** Spreads what is landed on one edge of an item along it, in the order of where it goes. */
function spreadPins(item: Item, pins: Pin[]): void {
  const room = item.width - 2 * EDGE[item.type];
  const apart = pins.length > 1 ? Math.min(LOOM.abreast, room / (pins.length - 1)) : 0;
  pins
    .sort((one, other) => one.toward - other.toward)
    .forEach(({ step, end }, i) => {
      step[end] = middle(item) + (i - (pins.length - 1) / 2) * apart;
    });
}

/** Moves a screw along its edge to stand straight under or over the other, where there is room for it. */
function straighten(step: Step, edges: ReadonlyMap<Item, { top: Pin[]; bottom: Pin[] }>): void {
  const { hop, from, to, returns } = step;
  if (to === null || returns || from === to) return;
  const tries = [
    { item: hop.lower!, end: 'to', edge: 'top', goal: from },
    { item: hop.upper, end: 'from', edge: 'bottom', goal: to },
  ] as const;
  for (const { item, end, edge, goal } of tries) {
    if (item.type === 'pass') continue;
    const inside = goal >= item.x + EDGE[item.type] && goal <= item.x + item.width - EDGE[item.type];
    const others = edges.get(item)![edge].filter((pin) => pin.step !== step);
    const was = step[end]!;
    const kept = others.every((pin) => {
      const x = pin.step[pin.end]!;
      return Math.abs(x - goal) >= LOOM.abreast - 1 && Math.sign(x - goal) === Math.sign(x - was);
    });
    if (!inside || !kept) continue;
    step[end] = goal;
    return;
  }
}

/** Every step of every conductor with the screws it goes by, by the layer it leaves. */
export function stepsOf({ items, legs }: Layers): Map<Hop, Step> {
  const steps = new Map<Hop, Step>();
  const edges = new Map(items.flat().map((item) => [item, { top: [] as Pin[], bottom: [] as Pin[] }]));
  for (const { hops } of legs)
    for (const hop of hops) {
      const { upper, lower } = hop;
      const returns = lower !== null && lower.layer === upper.layer;
      const step: Step = {
        hop,
        from: middle(upper),
        to: lower && middle(lower),
        returns,
        channels: [],
        via: null,
      };
      steps.set(hop, step);
      edges.get(upper)!.bottom.push({ step, end: 'from', toward: step.to ?? step.from });
      if (lower) edges.get(lower)![returns ? 'bottom' : 'top'].push({ step, end: 'to', toward: step.from });
    }
  for (const [item, { top, bottom }] of edges) {
    if (item.type === 'pass') continue;
    spreadPins(item, top);
    spreadPins(item, bottom);
  }
  for (const { hops } of legs) alignPasses(hops, steps, items);
  for (const step of steps.values()) straighten(step, edges);
  return steps;
}

/** A jog shorter than this is taken out where there is room, px. */
const JOG = 14;

/** Room a conductor keeps from a neighbour of its layer, px from its middle. */
function keepsClear(layer: readonly Item[], item: Item, x: number): boolean {
  const at = layer.indexOf(item);
  const clear = (other: Item | undefined, away: (box: Item) => number) =>
    !other || away(other) >= (other.type === 'pass' ? LOOM.abreast - item.width / 2 - 1 : LOOM.clear);
  return (
    clear(layer[at - 1], (left) => x - left.x - left.width) && clear(layer[at + 1], (right) => right.x - x)
  );
}

/** Moves what a conductor passes by under where it comes from, so that it goes straight down. */
function alignPasses(hops: readonly Hop[], steps: ReadonlyMap<Hop, Step>, items: readonly Item[][]): void {
  hops.forEach((hop, i) => {
    const { lower } = hop;
    const step = steps.get(hop)!;
    const next = hops[i + 1] && steps.get(hops[i + 1]!);
    if (lower?.type !== 'pass' || !next || Math.abs(step.from - step.to!) > JOG) return;
    if (!keepsClear(items[lower.layer]!, lower, step.from)) return;
    lower.x = step.from - lower.width / 2;
    step.to = next.from = step.from;
  });
}

/** A stretch across in one channel. */
interface Span {
  step: Step;
  /** Of two stretches of one step, which this is. */
  part: number;
  /** Where it comes down into the channel, and where it leaves it downwards. */
  tops: number[];
  bottoms: number[];
  low: number;
  high: number;
}

/** Nearer than this two conductors going down would be drawn over one another, px. */
const TOUCH = 9;
/** What drawing over one another costs against a crossing. */
const OVER = 1000;

const span = (step: Step, part: number, tops: number[], bottoms: number[]): Span => ({
  step,
  part,
  tops,
  bottoms,
  low: Math.min(...tops, ...bottoms),
  high: Math.max(...tops, ...bottoms),
});

function spansOf(step: Step): Span[] {
  const { from, to, returns, via } = step;
  if (to === null) return [span(step, 0, [from], [])];
  if (returns) return [span(step, 0, [from, to], [])];
  if (from === to) return [];
  return via === null
    ? [span(step, 0, [from], [to])]
    : [span(step, 0, [from], [via]), span(step, 1, [via], [to])];
}

const near = (some: readonly number[], others: readonly number[]) =>
  some.some((x) => others.some((at) => Math.abs(at - x) < TOUCH));

/** What it costs that `one` runs across above `other`: crossings, and what would be drawn over. */
function costAbove(one: Span, other: Span): number {
  if (one.step === other.step) return one.part > other.part ? OVER : 0;
  const within = (x: number, { low, high }: Span) => x > low + 0.5 && x < high - 0.5;
  const crossed =
    other.tops.filter((x) => within(x, one)).length + one.bottoms.filter((x) => within(x, other)).length;
  return crossed + (near(other.tops, one.bottoms) ? OVER : 0);
}

/** An order from the top in which they cross least: each put where it costs least, then each tried again. */
function channelOrder(spans: readonly Span[]): Span[] {
  const cost = new Map(
    spans.map((one) => [one, new Map(spans.map((other) => [other, costAbove(one, other)]))]),
  );
  const put = (order: Span[], one: Span) => {
    // What it costs at the top, and what passing each of the others changes.
    let worth = 0;
    let [least, best] = [Infinity, 0];
    for (let at = 0; at <= order.length; at++) {
      if (worth < least - 1e-9) [least, best] = [worth, at];
      const passed = order[at];
      if (passed) worth += cost.get(passed)!.get(one)! - cost.get(one)!.get(passed)!;
    }
    order.splice(best, 0, one);
  };
  const order: Span[] = [];
  for (const one of spans) put(order, one);
  for (let round = 0; round < 3; round++)
    for (const one of spans) {
      order.splice(order.indexOf(one), 1);
      put(order, one);
    }
  return order;
}

/** The first that is drawn over another in this order: they change places, and no order of whole stretches can do it. */
function drawnOver(order: readonly Span[]): Span | undefined {
  return order.find((one, i) =>
    order.slice(i + 1).some((other) => one.step !== other.step && near(other.tops, one.bottoms)),
  );
}

/** A place to go down between two channels, clear of everything that goes down there; the nearest to both ends. */
function wayBetween(
  { from, to }: Step,
  steps: readonly Step[],
  edges: readonly [number, number],
): number | null {
  const taken = steps.flatMap((step) => [step.from, step.to ?? step.from, step.via ?? step.from]);
  const middleWay = (from + to!) / 2;
  const places = Array.from({ length: Math.floor(edges[1] - edges[0]) }, (_, i) => edges[0] + i);
  return places
    .filter((x) => !near([x], taken))
    .reduce<number | null>(
      (best, x) => (best === null || Math.abs(x - middleWay) < Math.abs(best - middleWay) ? x : best),
      null,
    );
}

/** Two ends beside one another in one channel keep this between them, px. */
const CHANNEL_SPACE = 12;

/**
 * Gives every step below a layer its channels; answers how many there are.
 * @param edges - between which it may go down, px
 */
export function giveChannels(steps: readonly Step[], edges: readonly [number, number]): number {
  let spans = steps.flatMap(spansOf);
  let order = channelOrder(spans);
  for (let tries = 0; tries < steps.length; tries++) {
    const over = drawnOver(order);
    if (!over || over.step.via !== null) break;
    over.step.via = wayBetween(over.step, steps, edges);
    if (over.step.via === null) break;
    spans = steps.flatMap(spansOf);
    order = channelOrder(spans);
  }
  const channels: number[] = [];
  order.forEach((one, i) => {
    const channel = order.slice(0, i).reduce((least, above, k) => {
      const meets =
        above.step === one.step ||
        (above.low < one.high + CHANNEL_SPACE && one.low < above.high + CHANNEL_SPACE);
      return meets ? Math.max(least, channels[k]! + 1) : least;
    }, 0);
    channels.push(channel);
    one.step.channels.push(channel);
  });
  return Math.max(-1, ...channels) + 1;
}
