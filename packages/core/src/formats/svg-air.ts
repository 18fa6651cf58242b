/** The air of a zoned system as an SVG 1.1 file, from the same geometry as on the screen. */
import type { AirShape } from '../drawing';
import { AIR } from '../drawing';
import { INK, LINE, MUTE, box, page, tag, words } from './svg-parts';

const SUPPLY = '#C9D6E8';
const BACK = '#E3D6BC';

/** What is written on the drawing, in the person's words and units. */
export interface AirTexts {
  title: string;
  unit: readonly string[];
  /** By zone: its name, what it has, how its damper stands. */
  zones: Readonly<Record<string, { name: string; flow: string; damper: string }>>;
  bypass: string;
  supply: string;
  back: string;
}

export function airSvg(shape: AirShape, texts: AirTexts): string {
  const start = { 'text-anchor': 'start' };
  return page(texts.title, shape.width, shape.height, [
    ...shape.ducts.map((duct) => box(duct, 0, { fill: duct.air === 'supply' ? SUPPLY : BACK })),
    box(shape.unit, 10, { fill: '#FFFFFF', stroke: INK, 'stroke-width': 2 }),
    ...texts.unit.map((text, i) =>
      words(text, shape.unit.x + 12, shape.unit.y + 26 + i * 24, i === 1 ? 20 : 15, start),
    ),
    ...shape.zones.flatMap(({ zone, x, y, right }) => {
      const said = texts.zones[zone];
      return said
        ? [
            words(said.name, x, y - 32, 15, start),
            words(said.flow, right, y + 44, 20, { 'text-anchor': 'end' }),
          ]
        : [];
    }),
    ...shape.dampers.flatMap(({ zone, x, y, turned, upright }) => {
      const reach = AIR.damper - 6;
      const said = zone === null ? undefined : texts.zones[zone];
      return [
        ...(said ? [words(said.damper, x, y + 42, 14, { fill: MUTE })] : []),
        tag('circle', { cx: x, cy: y, r: AIR.damper, fill: '#FFFFFF', stroke: INK, 'stroke-width': 3 }),
        tag('line', {
          x1: -reach,
          x2: reach,
          y1: 0,
          y2: 0,
          stroke: INK,
          'stroke-width': 6,
          transform: `translate(${x} ${y}) rotate(${(upright ? 90 : 0) + turned})`,
        }),
      ];
    }),
    ...(shape.bypass
      ? [words(texts.bypass, shape.bypass.x + AIR.damper + 6, shape.bypass.y + 5, 14, start)]
      : []),
    ...[
      { at: shape.probes.supply, text: texts.supply, dy: -10 },
      { at: shape.probes.back, text: texts.back, dy: 5 },
    ].flatMap(({ at, text, dy }) => [
      tag('circle', { cx: at.x, cy: at.y, r: 6, fill: INK, stroke: LINE }),
      words(text, at.x + 10, at.y + dy, 14, start),
    ]),
  ]);
}
