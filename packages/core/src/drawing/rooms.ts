/** Geometry of a day in the rooms: a line for each room's temperature, and under it a lane for every thermostat's calls. */
import type { RoomSample } from '../air';
import type { Rect, Spot } from './shapes';

/** Sizes, CSS px. */
export const ROOMS = { height: 150, head: 12, foot: 22, left: 40, right: 26, lane: 16, laneGap: 8 } as const;

const HOURS = 24;
const TICKS = [0, 6, 12, 18, 24] as const;
/** Signs at the ends of lines lie no nearer to one another than this. */
const SIGN_GAP = 17;
/** Room above and below the lines, K. */
const SLACK_K = 0.6;

export interface RoomsShape {
  width: number;
  height: number;
  /** In the order of the rooms, with the spot where its sign stands: at its end, out of the others' way. */
  lines: { points: Spot[]; end: Spot }[];
  /** Where what is wanted lies, and whole degrees beside the lines, °C. */
  wantedY: number;
  degrees: { celsius: number; y: number }[];
  hours: { hour: number; x: number }[];
  /** By thermostat, while it calls. */
  lanes: { y: number; spans: Rect[] }[];
  left: number;
  right: number;
  floor: number;
}

/** Stretches of samples in which something holds, from and to. */
function stretches(holds: readonly boolean[]): [number, number][] {
  const found: [number, number][] = [];
  holds.forEach((one, i) => {
    if (!one) return;
    const last = found[found.length - 1];
    if (last && last[1] === i) last[1] = i + 1;
    else found.push([i, i + 1]);
  });
  return found;
}

/** Heights as they are wanted, moved apart until none covers another; in the order given. */
function apart(wanted: readonly number[], gap: number): number[] {
  const order = wanted.map((_, i) => i).sort((one, other) => wanted[one]! - wanted[other]!);
  const placed = [...wanted];
  order.forEach((at, i) => {
    if (i > 0) placed[at] = Math.max(placed[at]!, placed[order[i - 1]!]! + gap);
  });
  const middle = (all: readonly number[]) => all.reduce((sum, one) => sum + one, 0) / all.length;
  const back = middle(placed) - middle(wanted);
  return placed.map((one) => one - back);
}

/**
 * Lays a day out for a width in px.
 *
 * @param samples - evenly apart over 24 h; at least two.
 * @param wantedC - what is wanted in every room, °C.
 */
export function layRooms(samples: readonly RoomSample[], wantedC: number, width: number): RoomsShape {
  const { height, head, foot, left, right: beside, lane, laneGap } = ROOMS;
  const right = width - beside;
  const floor = height - foot;
  const all = [wantedC, ...samples.flatMap(({ rooms }) => rooms)];
  const [low, high] = [Math.min(...all) - SLACK_K, Math.max(...all) + SLACK_K];
  const xOf = (sample: number) => left + ((right - left) * sample) / samples.length;
  const yOf = (celsius: number) => floor - ((floor - head) * (celsius - low)) / (high - low);
  const step = high - low > 12 ? 5 : high - low > 5 ? 2 : 1;
  const first = Math.ceil(low / step) * step;
  const { rooms = [], called = [] } = samples[0] ?? {};
  const ends = samples[samples.length - 1]?.rooms ?? [];
  const signs = apart(ends.map(yOf), SIGN_GAP);
  return {
    width,
    height: height + called.length * (lane + laneGap),
    lines: rooms.map((_, room) => {
      const points = samples.map((sample, i) => ({ x: xOf(i + 0.5), y: yOf(sample.rooms[room]!) }));
      return { points, end: { x: xOf(samples.length - 0.5), y: signs[room]! } };
    }),
    wantedY: yOf(wantedC),
    degrees: Array.from({ length: Math.floor((high - first) / step) + 1 }, (_, i) => first + i * step).map(
      (celsius) => ({ celsius, y: yOf(celsius) }),
    ),
    hours: TICKS.map((hour) => ({ hour, x: left + ((right - left) * hour) / HOURS })),
    lanes: called.map((_, stat) => {
      const y = height + stat * (lane + laneGap);
      return {
        y,
        spans: stretches(samples.map((sample) => sample.on && sample.called[stat]!)).map(([from, to]) => ({
          x: xOf(from),
          y,
          width: xOf(to) - xOf(from),
          height: lane,
        })),
      };
    }),
    left,
    right,
    floor,
  };
}
