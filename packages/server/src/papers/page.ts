/** Sheets of paper with our type on them. */
import { createRequire } from 'node:module';
import type { PaperSize } from '@zygostat/core/formats';
import PDFDocument from 'pdfkit';

// From the program that runs: it is a module of its own when served and a script when tested.
const { resolve } = createRequire(process.argv[1]!);
const fontFile = (weight: 400 | 600) =>
  resolve(`@fontsource/barlow/files/barlow-latin-${weight}-normal.woff`);

export const PLAIN = 'plain';
export const STRONG = 'strong';
export const MARGIN = 40;

export type Sheet = PDFKit.PDFDocument;

/** As pdfkit calls the sheets. */
export const SIZE: Readonly<Record<PaperSize, string>> = { letter: 'LETTER', a4: 'A4' };

/** A document with Barlow in it. */
export function newDocument(title: string, size: PaperSize): Sheet {
  const document = new PDFDocument({
    size: SIZE[size],
    margin: MARGIN,
    info: { Title: title },
    autoFirstPage: false,
  });
  document.registerFont(PLAIN, fontFile(400));
  document.registerFont(STRONG, fontFile(600));
  return document;
}

/** Everything a document has written, once it is ended. */
export function bytesOf(document: Sheet): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
    document.end();
  });
}

/** Width between the margins, points. */
export const innerWidth = (document: Sheet) => document.page.width - 2 * MARGIN;
