/** Geometry of the timeline: one lane under the other, stretches of being on as bars. */
import type { Lane, Timeline } from '../behaviour';
import type { Rect } from './shapes';

/** Sizes, CSS px. */
export const TIMELINE = { lane: 44, bar: 16, axis: 28, margin: 14 } as const;

export interface Bar extends Rect {
  text: string;
}

export interface LaneShape {
  lane: string;
  kind: Lane['kind'];
  title: string;
  /** Where the title stands. */
  x: number;
  y: number;
  bars: Bar[];
}

export interface Tick {
  x: number;
  at: number;
  /** Its time is written right of it: there is room for it before the edge. */
  isWritten: boolean;
}

export interface TimelineShape {
  width: number;
  height: number;
  lanes: LaneShape[];
  ticks: Tick[];
}

/** Steps a clock face is divided by, seconds. */
const STEPS = [10, 30, 60, 120, 300, 600, 900, 1800, 3600];
/** Least room for a time written under the axis, px. */
export const TICK_ROOM = 58;

const scaleOf = (until: number, width: number) => (width - 2 * TIMELINE.margin) / until;

const ORDER = { load: 0, contact: 1, message: 2 } as const;

/** Lanes on which something happens, loads first, then contacts, then messages. */
export const eventfulLanes = ({ lanes }: Timeline): Lane[] =>
  lanes.filter(({ spans }) => spans.length > 1).sort((one, other) => ORDER[one.kind] - ORDER[other.kind]);

/** Of these, what runs and what shows, without the contacts behind it. */
export const plainLanes = (timeline: Timeline): Lane[] =>
  eventfulLanes(timeline).filter(({ kind }) => kind !== 'contact');

/**
 * Lays a timeline out for a width in px.
 *
 * @param shown - its lanes, from the top.
 */
export function layTimeline(
  { until }: Pick<Timeline, 'until'>,
  shown: readonly Lane[],
  width: number,
): TimelineShape {
  const scale = scaleOf(until, width);
  const xOf = (at: number) => TIMELINE.margin + at * scale;
  const lanes = shown.map(({ id, kind, title, spans }, i): LaneShape => {
    const top = TIMELINE.axis + i * TIMELINE.lane;
    const bars = spans.flatMap(({ from, on, text }, s): Bar[] => {
      const x = xOf(from);
      const end = xOf(spans[s + 1]?.from ?? until);
      const y = top + TIMELINE.lane - TIMELINE.bar - 4;
      return on ? [{ x, y, width: Math.max(end - x, 2), height: TIMELINE.bar, text }] : [];
    });
    return { lane: id, kind, title, x: TIMELINE.margin, y: top + 17, bars };
  });
  const step = STEPS.find((seconds) => seconds * scale >= TICK_ROOM) ?? until;
  const ticks = Array.from({ length: Math.floor(until / step) + 1 }, (_, i) => {
    const x = xOf(i * step);
    return { x, at: i * step, isWritten: x + TICK_ROOM <= width };
  });
  return { width, height: TIMELINE.axis + lanes.length * TIMELINE.lane + 8, lanes, ticks };
}

/** The time under a point of the drawing, seconds. */
export function timeAt({ until }: Timeline, width: number, x: number): number {
  const at = (x - TIMELINE.margin) / scaleOf(until, width);
  return Math.min(until, Math.max(0, at));
}
