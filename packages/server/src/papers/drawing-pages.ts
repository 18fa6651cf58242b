/** Drawings on sheets: laid out for paper, with type that can be read, cut into pages between one row and the next. */
import { sectionsOf } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { SymbolStyle } from '@zygostat/core/drawing';
import { layLadder, layLoom } from '@zygostat/core/drawing';
import type { PaperSize } from '@zygostat/core/formats';
import { ladderSvg, loomSvg } from '@zygostat/core/formats';
import { compile } from '@zygostat/core/network';
import svgToPdf from 'svg-to-pdfkit';
import type { Sheet } from './page';
import { MARGIN, PLAIN, SIZE, innerWidth } from './page';

/** Widths a loom is laid out at to see which fits a sheet best, px: its places in one column, or in two or three. */
const WIDTHS = [480, 560, 700, 860, 1000, 1200];
/** Short and long side of a sheet, points: ANSI/ASME Y14.1 and ISO 216. */
const SIDES: Readonly<Record<PaperSize, readonly [number, number]>> = { letter: [612, 792], a4: [595, 842] };
const LAYOUTS = ['portrait', 'landscape'] as const;
type Layout = (typeof LAYOUTS)[number];
/** What stands over a drawing on its sheet takes about so much, points. */
const HEAD = 120;
/** Smallest type in a drawing, px, and what it must come to on paper, points. */
const SMALLEST_PX = 12;
const SMALLEST_PT = 7;

/** What a rung of a ladder reaches over and under its wire, with its names and marks, px. */
const RUNG = { over: 24, under: 28, line: 13 } as const;
/** What a section's title reaches over its line, px. */
const TITLE_OVER = 12;

interface Drawing {
  svg: string;
  width: number;
  height: number;
  /** Where no cut may go through, px from the top. */
  taken: readonly { y: number; height: number }[];
}

/** The loom of a circuit at every width there is to choose from. */
export const loomsOf = (circuit: Circuit): Drawing[] =>
  WIDTHS.map((width) => layLoom(circuit, width)).map((loom) => ({
    svg: loomSvg(loom, circuit),
    width: loom.width,
    height: loom.height,
    taken: [...loom.blocks, ...loom.chips],
  }));

/** The ladder of a circuit. */
export function ladderOf(circuit: Circuit, symbols: SymbolStyle): Drawing {
  const ladder = layLadder(sectionsOf(compile(circuit)));
  // A title stays with the first rung under it.
  const firstUnder = (y: number) => {
    const under = ladder.symbols.flatMap((one) => (one.y > y ? [one.y] : []));
    return under.length > 0 ? Math.min(...under) : y;
  };
  const around = (y: number, over: number, under: number) => ({ y: y - over, height: over + under });
  return {
    svg: ladderSvg(ladder, circuit, symbols),
    width: ladder.width,
    height: ladder.height,
    taken: [
      ...ladder.heads.map(({ y }) => around(y, TITLE_OVER, firstUnder(y) - y)),
      ...ladder.stops.map(({ y }) => around(y, 0, RUNG.under)),
      ...ladder.symbols.map(({ y, lines }) => around(y, RUNG.over + lines.length * RUNG.line, RUNG.under)),
    ],
  };
}

interface Slice {
  from: number;
  to: number;
}

/** Heights at which a cut goes through nothing, from the top. */
function cutsOf({ taken }: Drawing): number[] {
  const cuts: number[] = [];
  let reach = 0;
  for (const { y, height } of [...taken].sort((one, other) => one.y - other.y)) {
    if (y > reach && reach > 0) cuts.push((reach + y) / 2);
    reach = Math.max(reach, y + height);
  }
  return cuts;
}

/** Cuts a drawing into stretches no taller than a page, where it can be between one row and the next. */
export function slicesOf(drawing: Drawing, tallest: number): Slice[] {
  const { height } = drawing;
  const cuts = cutsOf(drawing);
  const slices: Slice[] = [];
  for (let from = 0; from < height;) {
    const end = from + tallest;
    const cut = cuts.filter((y) => y > from && y <= end).at(-1);
    const to = end >= height ? height : (cut ?? end);
    slices.push({ from, to });
    from = to;
  }
  return slices;
}

/** Steps between the smallest and the largest a drawing is made. */
const SIZES = 12;

interface Room {
  width: number;
  height: number;
}

/** How much a drawing is made smaller: on as few pages as type that can be read allows, and then as large as it goes. */
export function scaleOf(drawing: Drawing, room: Room): number {
  const most = room.width / drawing.width;
  const least = Math.min(SMALLEST_PT / SMALLEST_PX, most);
  const sizes = Array.from({ length: SIZES + 1 }, (_, i) => most - (i / SIZES) * (most - least));
  const pages = sizes.map((scale) => slicesOf(drawing, room.height / scale).length);
  return sizes[pages.indexOf(Math.min(...pages))]!;
}

/** What there is under the head of a sheet. */
export const roomOn = (layout: Layout, size: PaperSize): Room => {
  const [short, long] = SIDES[size];
  const [width, height] = layout === 'portrait' ? [short, long] : [long, short];
  return { width: width - 2 * MARGIN, height: height - 2 * MARGIN - HEAD };
};

interface Fitted {
  drawing: Drawing;
  layout: Layout;
}

/**
 * Of several drawings of the same, the one for paper, and how its sheets lie: type that can be read first, then as few sheets as it
 * takes, then as large as it goes.
 */
export function fittedForPaper(drawings: readonly Drawing[], size: PaperSize): Fitted {
  const tried = drawings.flatMap((drawing) =>
    LAYOUTS.map((layout) => {
      const room = roomOn(layout, size);
      const scale = scaleOf(drawing, room);
      const unread = Math.max(0, SMALLEST_PT - scale * SMALLEST_PX - 1e-9);
      return { drawing, layout, order: [unread, slicesOf(drawing, room.height / scale).length, -scale] };
    }),
  );
  return tried.reduce((best, one) => {
    const at = one.order.findIndex((value, i) => value !== best.order[i]);
    return at >= 0 && one.order[at]! < best.order[at]! ? one : best;
  });
}

/** Writes what stands over a page and answers where it ends. */
type Head = (page: string) => number;

/** Adds a drawing, one of several of the same, on as many pages as it takes, each under its head. */
export function addDrawingPages(
  sheet: Sheet,
  drawings: readonly Drawing[],
  title: string,
  size: PaperSize,
  head: Head,
): void {
  const { drawing, layout } = fittedForPaper(drawings, size);
  const { svg } = drawing;
  const body = svg.slice(svg.indexOf('>', svg.indexOf('<svg')) + 1, svg.lastIndexOf('</svg>'));
  const begin = (page: string) => {
    sheet.addPage({ size: SIZE[size], layout, margin: MARGIN });
    return head(page);
  };
  let top = begin(title);
  const room = { width: innerWidth(sheet), height: sheet.page.height - MARGIN - top };
  const scale = scaleOf(drawing, room);
  const slices = slicesOf(drawing, room.height / scale);
  slices.forEach(({ from, to }, i) => {
    if (i > 0) top = begin(`${title}, ${i + 1} of ${slices.length}`);
    const [width, height] = [drawing.width * scale, (to - from) * scale];
    sheet.save();
    sheet.rect(MARGIN, top, width, height).clip();
    svgToPdf(
      sheet,
      `<svg xmlns="http://www.w3.org/2000/svg" width="${drawing.width}" height="${to - from}" viewBox="0 ${from} ${drawing.width} ${to - from}">${body}</svg>`,
      MARGIN,
      top,
      { width, height, preserveAspectRatio: 'xMinYMin meet', fontCallback: () => PLAIN },
    );
    sheet.restore();
  });
}
