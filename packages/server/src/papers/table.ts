/**
 * Tables on paper. pdfkit's own lays every word out several times over: a report of some 150 rows took it three seconds.
 * Here a word is measured once.
 */
import type { Sheet } from './page';
import { MARGIN, PLAIN, STRONG, innerWidth } from './page';

const CELL_PT = 8.5;
const LINE_PT = 10.5;
const PAD = 3;
const GAP = 8;

interface Ink {
  text: string;
  head: string;
  line: string;
}

/** Widths of words already measured in the type that is set. */
type Measure = (text: string) => number;

function measureOf(sheet: Sheet): Measure {
  const known = new Map<string, number>();
  return (text) => {
    const found = known.get(text) ?? sheet.widthOfString(text);
    known.set(text, found);
    return found;
  };
}

/** A word that is wider than its column is broken where it has to be. */
function pieces(word: string, width: number, measure: Measure): string[] {
  if (measure(word) <= width || word.length < 2) return [word];
  const half = Math.ceil(word.length / 2);
  return [...pieces(word.slice(0, half), width, measure), ...pieces(word.slice(half), width, measure)];
}

/** Lines of a text no wider than its column. */
function wrapped(text: string, width: number, measure: Measure): string[] {
  const space = measure(' ');
  const lines: string[] = [];
  let [line, used] = ['', 0];
  for (const word of text.split(/\s+/).flatMap((one) => pieces(one, width, measure))) {
    const wide = measure(word);
    if (line !== '' && used + space + wide > width) {
      lines.push(line);
      [line, used] = [word, wide];
    } else [line, used] = line === '' ? [word, wide] : [`${line} ${word}`, used + space + wide];
  }
  return [...lines, line];
}

/** Shares of the width by how much each column has to say, none under a floor. */
function widthsOf(rows: readonly (readonly string[])[], room: number): number[] {
  const columns = rows[0]!.length;
  const says = Array.from({ length: columns }, (_, c) =>
    Math.max(...rows.map((row) => Math.min(row[c]!.length, 60)), 6),
  );
  const all = says.reduce((sum, one) => sum + one, 0);
  const floor = 0.09;
  const raised = says.map((one) => Math.max(one / all, floor));
  const total = raised.reduce((sum, one) => sum + one, 0);
  return raised.map((share) => (share / total) * room);
}

/** Adds a table under what is there; its head comes again on every page it goes on to. */
export function addTable(
  sheet: Sheet,
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  ink: Ink,
): void {
  const widths = widthsOf([columns, ...rows], innerWidth(sheet));
  const lefts = widths.map((_, c) => MARGIN + widths.slice(0, c).reduce((sum, one) => sum + one, 0));
  const measures = { head: measureOf(sheet), body: measureOf(sheet) };
  let { y } = sheet;
  const add = (row: readonly string[], head: boolean) => {
    sheet
      .font(head ? STRONG : PLAIN)
      .fontSize(CELL_PT)
      .fillColor(head ? ink.head : ink.text);
    const measure = head ? measures.head : measures.body;
    const cells = row.map((text, c) => wrapped(text, widths[c]! - GAP, measure));
    const height = Math.max(...cells.map(({ length }) => length)) * LINE_PT + 2 * PAD;
    if (y + height > sheet.page.height - MARGIN) {
      sheet.addPage();
      y = MARGIN;
      if (!head) add(columns, true);
      sheet.font(PLAIN).fontSize(CELL_PT).fillColor(ink.text);
    }
    cells.forEach((lines, c) =>
      lines.forEach((line, i) => sheet.text(line, lefts[c]!, y + PAD + i * LINE_PT, { lineBreak: false })),
    );
    y += height;
    sheet
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + innerWidth(sheet), y)
      .lineWidth(0.5)
      .stroke(ink.line);
  };
  add(columns, true);
  for (const row of rows) add(row, false);
  sheet.x = MARGIN;
  sheet.y = y;
}
