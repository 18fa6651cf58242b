/** The wiring diagram to leave at the unit: ladder and loom, and a code that opens the job. */
import type { Circuit } from '@zygostat/core/circuit';
import { sectionsOf } from '@zygostat/core/behaviour';
import { layLadder, layLoom } from '@zygostat/core/drawing';
import type { SymbolStyle } from '@zygostat/core/drawing';
import { ladderSvg, loomSvg } from '@zygostat/core/formats';
import { compile } from '@zygostat/core/network';
import QRCode from 'qrcode';
import svgToPdf from 'svg-to-pdfkit';
import type { Heading } from './cards';
import { addLoomPages } from './loom-pages';
import { CAUTION, MARGIN, PLAIN, STRONG, bytesOf, innerWidth, newDocument } from './page';

/** Width the loom is laid out at, px, and the edge of the code on either paper. */
const LOOM_PX = 560;
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
  return {
    width: Number(width),
    height: Number(height),
    body: svg.slice(svg.indexOf('>', svg.indexOf('<svg')) + 1, svg.lastIndexOf('</svg>')),
  };
}

const escape = (text: string) =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);

const pictures = (circuit: Circuit, symbols: SymbolStyle) => ({
  loom: loomSvg(layLoom(circuit, LOOM_PX), circuit),
  ladder: ladderSvg(layLadder(sectionsOf(compile(circuit))), circuit, symbols),
});

/** Loom and ladder side by side under one head, the code at its right. */
export async function diagramSvg(
  heading: Heading,
  circuit: Circuit,
  url: string,
  symbols: SymbolStyle,
): Promise<string> {
  const drawn = pictures(circuit, symbols);
  const [loom, ladder] = [insideOf(drawn.loom), insideOf(drawn.ladder)];
  const code = insideOf(
    (await QRCode.toString(url, { type: 'svg', margin: 0, width: CODE })).replace(
      '<svg ',
      `<svg width="${CODE}" height="${CODE}" `,
    ),
  );
  const width = loom.width + ladder.width + 3 * MARGIN;
  const height = HEAD + Math.max(loom.height, ladder.height) + MARGIN;
  const nested = (picture: Picture, x: number, y: number, viewBox: string) =>
    `<svg x="${x}" y="${y}" width="${picture.width}" height="${picture.height}" viewBox="${viewBox}">${picture.body}</svg>`;
  const box = (picture: Picture) => `0 0 ${picture.width} ${picture.height}`;
  const modules = /viewBox="([^"]+)"/.exec(await QRCode.toString(url, { type: 'svg', margin: 0 }))![1]!;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="Barlow Condensed, Arial Narrow, sans-serif">
<title>${escape(`${heading.site}, ${heading.job}`)}</title>
<rect width="${width}" height="${height}" fill="#FFFFFF"/>
<text x="${MARGIN}" y="42" font-size="24" font-weight="600" fill="#1B2422">${escape(`${heading.site} · ${heading.job}`)}</text>
<text x="${MARGIN}" y="64" font-size="14" fill="#5E665F">${escape(heading.state)}</text>
<text x="${MARGIN}" y="84" font-size="13" fill="#1B2422">${escape(CAUTION)}</text>
<text x="${MARGIN}" y="104" font-size="13" fill="#1B2422">${escape(url)}</text>
${nested(code, width - MARGIN - CODE, 12, modules)}
${nested(loom, MARGIN, HEAD, box(loom))}
${nested(ladder, 2 * MARGIN + loom.width, HEAD, box(ladder))}
</svg>
`;
}

/** The same on A4: the loom on as many sheets as it needs to be read, then the ladder on one of its own. */
export async function diagramPdf(
  heading: Heading,
  circuit: Circuit,
  url: string,
  symbols: SymbolStyle,
): Promise<Buffer> {
  const { ladder } = pictures(circuit, symbols);
  const code = await QRCode.toBuffer(url, { margin: 0, width: 4 * CODE });
  const sheet = newDocument(`Wiring diagram, ${heading.job}`);
  const head = (title: string) => {
    const text = { width: innerWidth(sheet) - CODE - 12 };
    sheet.image(code, sheet.page.width - MARGIN - CODE, MARGIN, { width: CODE });
    sheet
      .font(STRONG)
      .fontSize(18)
      .fillColor('#1B2422')
      .text(`${title}: ${heading.site}, ${heading.job}`, MARGIN, MARGIN, text);
    sheet.font(PLAIN).fontSize(10).text(heading.state, text).text(CAUTION, text).text(url, text);
    return MARGIN + CODE + 12;
  };
  addLoomPages(sheet, circuit, 'Wiring', head);
  const { width, height } = insideOf(ladder);
  sheet.addPage({ size: 'A4', layout: width > height ? 'landscape' : 'portrait', margin: MARGIN });
  const top = head('Ladder');
  svgToPdf(sheet, ladder, MARGIN, top, {
    width: innerWidth(sheet),
    height: sheet.page.height - MARGIN - top,
    preserveAspectRatio: 'xMidYMin meet',
    fontCallback: () => PLAIN,
  });
  return bytesOf(sheet);
}
