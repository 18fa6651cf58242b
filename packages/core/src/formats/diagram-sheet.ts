/** The wiring diagram to leave at the unit as one drawing (SVG 1.1): loom and ladder side by side, and a code that opens the job. */
import { escape } from './svg-parts';

/** Edge of the sheet, and of the code on it, px. */
const MARGIN = 40;
const CODE = 96;
const HEAD = 120;

interface Picture {
  width: number;
  height: number;
  body: string;
}

/** The inside of an SVG file with its size, so that it can stand in another. */
function insideOf(svg: string): Picture {
  const [, width, height] = /<svg[^>]*\bwidth="(\d+)" height="(\d+)"/.exec(svg)!;
  return { width: Number(width), height: Number(height), body: bodyOf(svg) };
}

const bodyOf = (svg: string) =>
  svg.slice(svg.indexOf('>', svg.indexOf('<svg')) + 1, svg.lastIndexOf('</svg>'));

/** What is said over a diagram. */
export interface DiagramHead {
  site: string;
  job: string;
  /** Whether it is as planned or as it stands. */
  state: string;
  caution: string;
  /** Opens the job. */
  url: string;
}

/**
 * Loom and ladder under one head, the code at its right.
 *
 * @param code - `url` as a picture for a camera, an SVG with a viewBox.
 */
export function diagramSheet(
  { site, job, state, caution, url }: DiagramHead,
  drawings: { loom: string; ladder: string; code: string },
): string {
  const [loom, ladder] = [insideOf(drawings.loom), insideOf(drawings.ladder)];
  const width = loom.width + ladder.width + 3 * MARGIN;
  const height = HEAD + Math.max(loom.height, ladder.height) + MARGIN;
  const nested = (
    size: { width: number; height: number },
    x: number,
    y: number,
    viewBox: string,
    body: string,
  ) =>
    `<svg x="${x}" y="${y}" width="${size.width}" height="${size.height}" viewBox="${viewBox}">${body}</svg>`;
  const placed = (picture: Picture, x: number, y: number) =>
    nested(picture, x, y, `0 0 ${picture.width} ${picture.height}`, picture.body);
  const modules = /viewBox="([^"]+)"/.exec(drawings.code)![1]!;
  const code = { width: CODE, height: CODE };
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="Barlow Condensed, Arial Narrow, sans-serif">
<title>${escape(`${site}, ${job}`)}</title>
<rect width="${width}" height="${height}" fill="#FFFFFF"/>
<text x="${MARGIN}" y="42" font-size="24" font-weight="600" fill="#1B2422">${escape(`${site} · ${job}`)}</text>
<text x="${MARGIN}" y="64" font-size="14" fill="#5E665F">${escape(state)}</text>
<text x="${MARGIN}" y="84" font-size="13" fill="#1B2422">${escape(caution)}</text>
<text x="${MARGIN}" y="104" font-size="13" fill="#1B2422">${escape(url)}</text>
${nested(code, width - MARGIN - CODE, 12, modules, bodyOf(drawings.code))}
${placed(loom, MARGIN, HEAD)}
${placed(ladder, 2 * MARGIN + loom.width, HEAD)}
</svg>
`;
}
