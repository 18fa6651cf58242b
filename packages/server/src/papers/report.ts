/** A report as a PDF: the customer's page, the rest in tables, the diagram laid out for the page. */
import type { Circuit } from '@zygostat/core/circuit';
import type { Block, Paper, Section } from '@zygostat/core/formats';
import { addLoomPages } from './loom-pages';
import type { Sheet } from './page';
import { MARGIN, PLAIN, STRONG, bytesOf, newDocument } from './page';
import { addTable } from './table';

const INK = '#1B2422';
const MUTE = '#5E665F';
const LINE = '#D9D2C3';
const TEXT_PT = 10;
/** Space a heading wants under it before a page ends, points. */
const KEEP_PT = 90;

/** Characters the type has none of, as it can say them. */
const printable = (text: string) => text.replace(/[⟷↔]/g, '–').replace(/≤/g, '<=').replace(/≥/g, '>=');

const write = (sheet: Sheet, text: string, options: PDFKit.Mixins.TextOptions = {}) =>
  sheet.text(printable(text), MARGIN, undefined, options);

function addBlock(sheet: Sheet, block: Block): void {
  sheet.font(PLAIN).fontSize(TEXT_PT).fillColor(INK);
  switch (block.type) {
    case 'text':
      write(sheet.font(block.strong ? STRONG : PLAIN), block.text);
      break;
    case 'list':
      for (const item of block.items) write(sheet, `•  ${item}`, { paragraphGap: 3 });
      break;
    case 'table':
      addTable(
        sheet,
        block.columns.map(printable),
        block.rows.map((row) => row.map(printable)),
        {
          text: INK,
          head: MUTE,
          line: LINE,
        },
      );
  }
  sheet.moveDown(0.6);
}

function addSection(sheet: Sheet, { title, blocks, apart }: Section): void {
  const left = sheet.page.height - MARGIN - sheet.y;
  if (apart || left < KEEP_PT) sheet.addPage();
  write(sheet.font(STRONG).fontSize(14).fillColor(INK), title);
  sheet.moveDown(0.3);
  for (const block of blocks) addBlock(sheet, block);
  sheet.moveDown(0.6);
}

/** The report of a job, with its diagram as left. */
export async function reportPdf(paper: Paper, circuit: Circuit): Promise<Buffer> {
  const sheet = newDocument(paper.title);
  sheet.addPage();
  write(sheet.font(STRONG).fontSize(20).fillColor(INK), paper.title);
  for (const line of paper.under) write(sheet.font(PLAIN).fontSize(TEXT_PT).fillColor(MUTE), line);
  sheet.moveDown();
  for (const section of paper.sections) addSection(sheet, section);
  addLoomPages(sheet, circuit, 'Wiring as left', (page) => {
    sheet.font(STRONG).fontSize(14).fillColor(INK).text(page, MARGIN, MARGIN);
    return sheet.y + 8;
  });
  return bytesOf(sheet);
}
