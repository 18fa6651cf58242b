/** Loom and ladder as SVG 1.1 files, from the same geometry as on the screen. */
import type { Circuit } from '../circuit';
import { findConductor, findDevice } from '../circuit';
import type { Ladder, Loom, Plate, SymbolStyle } from '../drawing';
import { symbolStrokes } from '../drawing';
import { COLOURS } from '../standards';
import { CARD, INK, LINE, MUTE, box, page, tag, words } from './svg-parts';

const LIVE = '#9A4A1B';

/** A line of a plate on paper, px. */
const PLATE_LINE = 15;

/** A device's name on its plate, in the lines it was laid out in. */
const plateWords = ({ lines, x, y, width, height }: Plate) =>
  lines.map((line, i) =>
    words(line, x + width / 2, y + height / 2 + 5 + (i - (lines.length - 1) / 2) * PLATE_LINE, 13),
  );

/** A conductor in its insulation's colour. */
function wirePath(d: string, circuit: Circuit, id: string | null): string[] {
  const conductor = id === null ? undefined : findConductor(circuit, id);
  if (!conductor) return [tag('path', { d, fill: 'none', stroke: INK, 'stroke-width': 2 })];
  return [
    tag('path', { d, fill: 'none', stroke: INK, 'stroke-width': 5 }),
    tag('path', { d, fill: 'none', stroke: COLOURS[conductor.colour].hex, 'stroke-width': 3.4 }),
  ];
}

/** Its IEC 60757 code and number on it. */
function wireTag(circuit: Circuit, id: string | null, at: { x: number; y: number }): string[] {
  const conductor = id === null ? undefined : findConductor(circuit, id);
  if (!conductor) return [];
  const name = [conductor.colour, conductor.number ?? conductor.tag].filter(Boolean).join(' ');
  return [
    box({ x: at.x - 12, y: at.y - 8, width: 24, height: 16 }, 4, { fill: CARD, stroke: MUTE }),
    words(name, at.x, at.y + 4.5, 12),
  ];
}

/** The loom of a circuit as a file. */
export function loomSvg(loom: Loom, circuit: Circuit): string {
  return page(circuit.name, loom.width, loom.height, [
    ...loom.cards.map((card) => box(card, 12, { fill: CARD, stroke: LINE })),
    ...loom.cards.flatMap(({ plates }) => plates.flatMap(plateWords)),
    ...loom.wires.flatMap(({ conductor, path }) => wirePath(path, circuit, conductor)),
    ...loom.wires.flatMap(({ conductor, tag: at }) => wireTag(circuit, conductor, at)),
    ...loom.blocks.flatMap((block) => [
      box(block, 8, { fill: '#F1EEE6', stroke: MUTE }),
      words(
        block.mark,
        block.x + block.width / 2,
        block.y + block.height / 2 + 7,
        block.mark.length > 4 ? 14 : 20,
      ),
      ...block.screws.map(({ x, y }) => tag('circle', { cx: x, cy: y, r: 5, fill: INK })),
    ]),
    ...loom.chips.flatMap((chip) => [
      box(chip, 10, { fill: CARD, stroke: INK, 'stroke-width': 1.5 }),
      words(
        findDevice(circuit, chip.device)!.label,
        chip.x + chip.width / 2,
        chip.y + chip.height / 2 + 5,
        14,
      ),
    ]),
  ]);
}

/** What is live, by contact id, `device/load` and terminal; left out, the drawing is at rest. */
export interface Live {
  contacts: Readonly<Record<string, boolean>>;
  loads: ReadonlySet<string>;
  hot: ReadonlySet<string>;
}

const AT_REST: Live = { contacts: {}, loads: new Set(), hot: new Set() };

/** The ladder of a circuit as a file. */
export function ladderSvg(
  ladder: Ladder,
  circuit: Circuit,
  style: SymbolStyle,
  live: Live = AT_REST,
): string {
  const line = (x1: number, y1: number, x2: number, y2: number, width: number, stroke = INK) =>
    tag('line', { x1, y1, x2, y2, stroke, 'stroke-width': width });
  const isOn = ({ type, id, restsClosed }: Ladder['symbols'][number]) =>
    type === 'contact' ? (live.contacts[id] ?? restsClosed) : live.loads.has(id);
  return page(circuit.name, ladder.width, ladder.height, [
    ...ladder.heads.map(({ x, y, title, line: mains }) =>
      words(`${title}: ${mains ? 'line voltage' : '24 V'}`, x, y + 4, 15, {
        'text-anchor': 'start',
        'font-weight': 600,
      }),
    ),
    ...ladder.rails.map(({ x, top, bottom }) => line(x, top, x, bottom, 3)),
    ...ladder.wires.flatMap(({ from, to, node, conductor }) => {
      const hot = node !== null && live.hot.has(node);
      const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
      return conductor === null
        ? [line(from.x, from.y, to.x, to.y, hot ? 3.5 : 1.8, hot ? LIVE : INK)]
        : [
            ...wirePath(`M${from.x} ${from.y}L${to.x} ${to.y}`, circuit, conductor),
            ...wireTag(circuit, conductor, middle),
          ];
    }),
    ...ladder.symbols.flatMap((symbol) => [
      tag(
        'g',
        { transform: `translate(${symbol.x} ${symbol.y})` },
        symbolStrokes(style, { ...symbol, on: isOn(symbol) })
          .map(({ d, solid }) =>
            tag('path', { d, fill: solid ? LIVE : 'none', stroke: solid ? LIVE : INK, 'stroke-width': 2 }),
          )
          .join(''),
      ),
      ...symbol.lines.map((text, i) =>
        words(text, symbol.x, symbol.y - 24 - (symbol.lines.length - 1 - i) * 13, 12),
      ),
    ]),
    ...ladder.stops.flatMap(({ x, y, mark }) => [
      tag('circle', { cx: x, cy: y, r: 4, fill: INK }),
      words(mark, x, y + 22, 14, { 'font-weight': 600 }),
    ]),
  ]);
}
