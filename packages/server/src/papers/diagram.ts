/** The wiring diagram to leave at the unit: ladder and loom, and a code that opens the job. */
import type { Circuit } from '@zygostat/core/circuit';
import { layLoom } from '@zygostat/core/drawing';
import type { SymbolStyle } from '@zygostat/core/drawing';
import type { PaperSize } from '@zygostat/core/formats';
import { diagramSheet, loomSvg } from '@zygostat/core/formats';
import { PAPER_CAUTION } from '@zygostat/core/words';
import { toString as qrText } from 'qrcode';
import svgToPdf from 'svg-to-pdfkit';
import type { Heading } from './cards';
import { addDrawingPages, ladderOf, loomsOf } from './drawing-pages';
import { MARGIN, PLAIN, STRONG, bytesOf, innerWidth, newDocument } from './page';

/** Width the loom is laid out at, px, and the edge of the code. */
const LOOM_PX = 560;
const CODE = 96;

const codeOf = (url: string) => qrText(url, { type: 'svg', margin: 0 });

const pictures = (circuit: Circuit, symbols: SymbolStyle) => ({
  loom: loomSvg(layLoom(circuit, LOOM_PX), circuit),
  ladder: ladderOf(circuit, symbols).svg,
});

/** Loom and ladder side by side under one head, the code at its right. */
export async function diagramSvg(
  heading: Heading,
  circuit: Circuit,
  url: string,
  symbols: SymbolStyle,
): Promise<string> {
  const code = await codeOf(url);
  return diagramSheet({ ...heading, caution: PAPER_CAUTION, url }, { ...pictures(circuit, symbols), code });
}

/** The same on paper: the loom laid out for the sheet, then the ladder, each on as many sheets as it needs to be read. */
export async function diagramPdf(
  heading: Heading,
  circuit: Circuit,
  url: string,
  symbols: SymbolStyle,
  size: PaperSize,
): Promise<Buffer> {
  const code = await codeOf(url);
  const sheet = newDocument(`Wiring diagram, ${heading.job}`, size);
  const head = (title: string) => {
    const text = { width: innerWidth(sheet) - CODE - 12 };
    svgToPdf(sheet, code, sheet.page.width - MARGIN - CODE, MARGIN, { width: CODE, height: CODE });
    sheet
      .font(STRONG)
      .fontSize(18)
      .fillColor('#1B2422')
      .text(`${title}: ${heading.site}, ${heading.job}`, MARGIN, MARGIN, text);
    sheet.font(PLAIN).fontSize(10).text(heading.state, text).text(PAPER_CAUTION, text).text(url, text);
    return MARGIN + CODE + 12;
  };
  addDrawingPages(sheet, loomsOf(circuit), 'Wiring', size, head);
  addDrawingPages(sheet, [ladderOf(circuit, symbols)], 'Ladder', size, head);
  return bytesOf(sheet);
}
