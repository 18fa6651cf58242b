/** A day in the rooms as an SVG 1.1 file, from the same geometry as on the screen. */
import type { RoomsShape } from '../drawing';
import { ROOMS } from '../drawing';
import { INK, LINE, MUTE, box, page, tag, words } from './svg-parts';

/** Lines are told apart by their dashes as well as by what is written at their ends. */
export const ROOM_DASHES = [undefined, '9 5', '2 4', '12 4 2 4'] as const;

/** What is written on the drawing, in the person's words and units. */
export interface RoomsTexts {
  title: string;
  /** In the order of the rooms: a short sign at the end of its line. */
  rooms: readonly string[];
  /** In the order of the thermostats. */
  lanes: readonly string[];
  degree: (celsius: number) => string;
  hour: (hour: number) => string;
}

export function roomsSvg(shape: RoomsShape, texts: RoomsTexts): string {
  const { left, right, floor } = shape;
  const rule = (y: number, more: Record<string, string | number>) =>
    tag('line', { x1: left, x2: right, y1: y, y2: y, ...more });
  return page(texts.title, shape.width, shape.height, [
    ...shape.degrees.flatMap(({ celsius, y }) => [
      rule(y, { stroke: LINE }),
      words(texts.degree(celsius), left - 6, y + 5, 14, { 'text-anchor': 'end', fill: MUTE }),
    ]),
    rule(shape.wantedY, { stroke: INK, 'stroke-dasharray': '2 6' }),
    ...shape.hours.map(({ hour, x }) => words(texts.hour(hour), x, floor + 17, 14, { fill: MUTE })),
    ...shape.lines.flatMap(({ points, end }, i) => [
      tag('polyline', {
        points: points.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' '),
        fill: 'none',
        stroke: INK,
        'stroke-width': 2.5,
        'stroke-dasharray': ROOM_DASHES[i],
      }),
      words(texts.rooms[i] ?? '', end.x + 6, end.y + 5, 15, { 'text-anchor': 'start' }),
    ]),
    ...shape.lanes.flatMap(({ y, spans }, i) => [
      words(texts.lanes[i] ?? '', left - 6, y + ROOMS.lane - 3, 14, { 'text-anchor': 'end', fill: MUTE }),
      ...spans.map((span) => box(span, 2, { fill: INK })),
    ]),
  ]);
}
