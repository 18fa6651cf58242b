/** A loom cut into pages, between places where it can be, with type that can be read. */
import type { Circuit } from '@zygostat/core/circuit';
import type { Loom } from '@zygostat/core/drawing';
import { layLoom } from '@zygostat/core/drawing';
import { loomSvg } from '@zygostat/core/formats';
import svgToPdf from 'svg-to-pdfkit';
import type { Sheet } from './page';
import { MARGIN, PLAIN, innerWidth } from './page';

/** Widths a loom is laid out at to see which fits a sheet best, px: its places in one column, or in two or three. */
const WIDTHS = [480, 560, 700, 860, 1000, 1200];
/** A4 lying either way, points. */
const SHEETS = [
  { layout: 'portrait', width: 595, height: 842 },
  { layout: 'landscape', width: 842, height: 595 },
] as const;
/** What stands over a loom on its sheet takes about so much, points. */
const HEAD = 120;
/** Smallest type in a loom, px, and what it must come to on paper, points. */
const SMALLEST_PX = 12;
const SMALLEST_PT = 7;

interface Slice {
  from: number;
  to: number;
}

/** Heights at which a cut goes through no stud and no plate, from the top. */
function cutsOf({ blocks, chips }: Loom): number[] {
  const taken = [...blocks, ...chips].sort((one, other) => one.y - other.y);
  const cuts: number[] = [];
  let reach = 0;
  for (const { y, height } of taken) {
    if (y > reach && reach > 0) cuts.push((reach + y) / 2);
    reach = Math.max(reach, y + height);
  }
  return cuts;
}

/** Cuts a loom into stretches no taller than a page, where it can be between one row and the next. */
export function slicesOf(loom: Loom, tallest: number): Slice[] {
  const { height } = loom;
  const cuts = cutsOf(loom);
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

/** Steps between the smallest and the largest a loom is drawn. */
const SIZES = 12;

/** How much a loom is made smaller: on as few pages as type that can be read allows, and then as large as it goes. */
export function scaleOf(loom: Loom, room: { width: number; height: number }): number {
  const [least, most] = [SMALLEST_PT / SMALLEST_PX, room.width / loom.width];
  const sizes = Array.from({ length: SIZES + 1 }, (_, i) => most - (i / SIZES) * (most - least));
  const pages = sizes.map((scale) => slicesOf(loom, room.height / scale).length);
  return sizes[pages.indexOf(Math.min(...pages))]!;
}

interface Laid {
  loom: Loom;
  layout: (typeof SHEETS)[number]['layout'];
}

/** Laid out for paper: on as few sheets as its type allows, lying as they may, and then as large as it goes. */
export function laidForPaper(circuit: Circuit): Laid {
  const tried = WIDTHS.map((width) => layLoom(circuit, width)).flatMap((loom) =>
    SHEETS.flatMap(({ layout, width, height }) => {
      const room = { width: width - 2 * MARGIN, height: height - 2 * MARGIN - HEAD };
      if (room.width / loom.width < SMALLEST_PT / SMALLEST_PX) return [];
      const scale = scaleOf(loom, room);
      return [{ loom, layout, scale, pages: slicesOf(loom, room.height / scale).length }];
    }),
  );
  return tried.reduce((best, one) =>
    one.pages < best.pages || (one.pages === best.pages && one.scale > best.scale) ? one : best,
  );
}

/** Writes what stands over a page and answers where it ends. */
type Head = (page: string) => number;

/** Adds the loom of a circuit, on as many pages as it takes, each under its head. */
export function addLoomPages(sheet: Sheet, circuit: Circuit, title: string, head: Head): void {
  const { loom, layout } = laidForPaper(circuit);
  const svg = loomSvg(loom, circuit);
  const body = svg.slice(svg.indexOf('>', svg.indexOf('<svg')) + 1, svg.lastIndexOf('</svg>'));
  const begin = (page: string) => {
    sheet.addPage({ size: 'A4', layout, margin: MARGIN });
    return head(page);
  };
  let top = begin(title);
  const room = { width: innerWidth(sheet), height: sheet.page.height - MARGIN - top };
  const scale = scaleOf(loom, room);
  const slices = slicesOf(loom, room.height / scale);
  slices.forEach(({ from, to }, i) => {
    if (i > 0) top = begin(`${title}, ${i + 1} of ${slices.length}`);
    const [width, height] = [loom.width * scale, (to - from) * scale];
    sheet.save();
    sheet.rect(MARGIN, top, width, height).clip();
    svgToPdf(
      sheet,
      `<svg xmlns="http://www.w3.org/2000/svg" width="${loom.width}" height="${to - from}" viewBox="0 ${from} ${loom.width} ${to - from}">${body}</svg>`,
      MARGIN,
      top,
      { width, height, preserveAspectRatio: 'xMinYMin meet', fontCallback: () => PLAIN },
    );
    sheet.restore();
  });
}
