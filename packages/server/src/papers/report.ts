/** A report as a PDF: the customer's page, the rest in tables, the diagram laid out for the page. And as text. */
import type { Block, Section } from '@zygostat/core/formats';
import { paperMarkdown, paperSizeOf } from '@zygostat/core/formats';
import type { ReportGiven } from '@zygostat/core/record';
import { reportOf } from '@zygostat/core/record';
import type { ReportStyle } from '@zygostat/core/words';
import { reportPaper } from '@zygostat/core/words';
import { openBeside } from '../db/open';
import { photoBytes } from '../db/photos';
import { shrunk } from '../photograph';
import { addDrawingPages, loomsOf } from './drawing-pages';
import type { Sheet } from './page';
import { MARGIN, PLAIN, STRONG, bytesOf, innerWidth, newDocument } from './page';
import { addTable } from './table';

const INK = '#1B2422';
const MUTE = '#5E665F';
const LINE = '#D9D2C3';
const TEXT_PT = 10;
/** Space a heading wants under it before a page ends, points. */
const KEEP_PT = 90;
/** A row of photographs with its caption, the caption alone, and between two, points. */
const PICTURE_PT = 220;
const CAPTION_PT = 34;
/** Longest side of one: half a page at some 200 dots an inch. */
const PICTURE_PX = 800;
const GAP_PT = 14;

/** JPEGs of photographs by their ids. */
type Pictures = ReadonlyMap<string, Uint8Array>;

/** Characters the type has none of, as it can say them. */
const printable = (text: string) => text.replace(/[⟷↔]/g, '–').replace(/≤/g, '<=').replace(/≥/g, '>=');

const write = (sheet: Sheet, text: string, options: PDFKit.Mixins.TextOptions = {}) =>
  sheet.text(printable(text), MARGIN, undefined, options);

/** Photographs two in a row, each with its caption; a page holds as many rows as fit whole. */
function addPictures(
  sheet: Sheet,
  items: readonly { id: string; caption: string }[],
  pictures: Pictures,
): void {
  const width = (innerWidth(sheet) - GAP_PT) / 2;
  for (let i = 0; i < items.length; i += 2) {
    if (sheet.y + PICTURE_PT > sheet.page.height - MARGIN) sheet.addPage();
    const top = sheet.y;
    items.slice(i, i + 2).forEach(({ id, caption }, column) => {
      const bytes = pictures.get(id);
      const left = MARGIN + column * (width + GAP_PT);
      if (bytes) sheet.image(Buffer.from(bytes), left, top, { fit: [width, PICTURE_PT - CAPTION_PT] });
      sheet
        .font(PLAIN)
        .fontSize(8)
        .fillColor(MUTE)
        .text(printable(caption), left, top + PICTURE_PT - CAPTION_PT + 4, {
          width,
          height: CAPTION_PT - 6,
          ellipsis: true,
        });
    });
    sheet.y = top + PICTURE_PT;
  }
}

function addBlock(sheet: Sheet, block: Block, pictures: Pictures): void {
  sheet.font(PLAIN).fontSize(TEXT_PT).fillColor(INK);
  switch (block.type) {
    case 'text':
      write(sheet.font(block.strong ? STRONG : PLAIN), block.text);
      break;
    case 'list':
      for (const item of block.items) write(sheet, `•  ${item}`, { paragraphGap: 3 });
      break;
    case 'pictures':
      addPictures(sheet, block.items, pictures);
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

function addSection(sheet: Sheet, { title, blocks, apart }: Section, pictures: Pictures): void {
  const left = sheet.page.height - MARGIN - sheet.y;
  if (apart || left < KEEP_PT) sheet.addPage();
  write(sheet.font(STRONG).fontSize(14).fillColor(INK), title);
  sheet.moveDown(0.3);
  for (const block of blocks) addBlock(sheet, block, pictures);
  sheet.moveDown(0.6);
}

/** The report of a job as Markdown. */
export const reportText = async (given: ReportGiven, style: ReportStyle): Promise<string> =>
  paperMarkdown(reportPaper(reportOf(given), style));

/** The report of a job as JSON. */
export const reportJson = async (given: ReportGiven): Promise<string> => JSON.stringify(reportOf(given));

/**
 * The report of a job, with its diagram as left.
 *
 * @param database - the file its photographs are in: read where it is drawn, one at a time.
 */
export async function reportPdf(given: ReportGiven, style: ReportStyle, database: string): Promise<Buffer> {
  return drawReport(given, style, await picturesOf(given, database));
}

/** Photographs as they are printed: as they are kept two hundred of them make a file that no mail takes. */
async function picturesOf({ job, photographs }: ReportGiven, database: string): Promise<Pictures> {
  const { db, close } = openBeside(database, 'reads');
  try {
    const pictures = new Map<string, Uint8Array>();
    for (const { id } of photographs) {
      const bytes = photoBytes(db, job.id, id);
      if (bytes) pictures.set(id, await shrunk(bytes, PICTURE_PX));
    }
    return pictures;
  } finally {
    close();
  }
}

async function drawReport(given: ReportGiven, style: ReportStyle, pictures: Pictures): Promise<Buffer> {
  const report = reportOf(given);
  const paper = reportPaper(report, style);
  const size = paperSizeOf(style.locale);
  const sheet = newDocument(paper.title, size);
  sheet.addPage();
  write(sheet.font(STRONG).fontSize(20).fillColor(INK), paper.title);
  for (const line of paper.under) write(sheet.font(PLAIN).fontSize(TEXT_PT).fillColor(MUTE), line);
  sheet.moveDown();
  for (const section of paper.sections) addSection(sheet, section, pictures);
  addDrawingPages(sheet, loomsOf(report.left), 'Wiring as left', size, (page) => {
    sheet.font(STRONG).fontSize(14).fillColor(INK).text(page, MARGIN, MARGIN);
    return sheet.y + 8;
  });
  return bytesOf(sheet);
}
