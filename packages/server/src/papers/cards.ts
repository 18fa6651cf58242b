/** Landing cards, one for each place, and tags for the conductors. */
import type { Circuit } from '@zygostat/core/circuit';
import type { PaperSize } from '@zygostat/core/formats';
import { COLOURS, colourName } from '@zygostat/core/standards';
import { inParallel } from '@zygostat/core/plan';
import { cardsOf } from '@zygostat/core/wire';
import type { Units } from '@zygostat/core/words';
import { PAPER_CAUTION, PARALLEL_LABEL, namesIn, otherEndText, showStrip } from '@zygostat/core/words';
import { MARGIN, PLAIN, STRONG, bytesOf, innerWidth, newDocument } from './page';
import type { Sheet } from './page';

export interface Heading {
  site: string;
  job: string;
  /** What the wiring is: as planned, or as it stands. */
  state: string;
}

const INK = '#1B2422';
const MUTE = '#5E665F';
const LINE = '#D9D2C3';
const ROW = 26;
/** Columns of a card as shares of the width. */
const COLUMNS = [
  ['Terminal', 0.27],
  ['Conductor', 0.2],
  ['Tag', 0.11],
  ['Strip', 0.09],
  ['Other end', 0.33],
] as const;

function swatch(sheet: Sheet, colour: keyof typeof COLOURS, x: number, y: number): void {
  sheet.rect(x, y, 16, 10).lineWidth(0.75).fillAndStroke(COLOURS[colour].hex, INK).fillColor(INK);
}

function cardHead(sheet: Sheet, { site, job, state }: Heading, name: string): void {
  sheet.addPage();
  sheet.font(STRONG).fontSize(20).fillColor(INK).text(name);
  sheet.font(PLAIN).fontSize(11).fillColor(MUTE).text(`${site} · ${job} · ${state}`);
  sheet.moveDown(0.4).fillColor(INK).fontSize(10).text(PAPER_CAUTION).moveDown(0.6);
}

/** One line of cells; what is too long for its cell is broken, and the line grows. */
function cells(sheet: Sheet, texts: readonly string[], top: number, font: string): number {
  const width = innerWidth(sheet);
  let left = MARGIN;
  let tallest = ROW;
  texts.forEach((text, i) => {
    const own = COLUMNS[i]![1] * width;
    const indent = i === 1 && font === PLAIN ? 22 : 0;
    sheet.font(font).fontSize(11).fillColor(INK);
    const height = sheet.heightOfString(text, { width: own - indent - 6 }) + 10;
    sheet.text(text, left + indent, top + 5, { width: own - indent - 6 });
    tallest = Math.max(tallest, height);
    left += own;
  });
  sheet
    .moveTo(MARGIN, top + tallest)
    .lineTo(MARGIN + width, top + tallest)
    .lineWidth(0.5)
    .stroke(LINE);
  return top + tallest;
}

/** A card for each place: what is landed where, with its colour, tag, strip length and other end. */
export function cardsPdf(
  heading: Heading,
  circuit: Circuit,
  length: Units['length'],
  size: PaperSize,
): Promise<Buffer> {
  const cards = cardsOf(circuit);
  const names = namesIn(circuit);
  const sheet = newDocument(`Landings, ${heading.job}`, size);
  for (const { name, landings } of cards) {
    const begin = (title: string) => {
      cardHead(sheet, heading, title);
      return cells(
        sheet,
        COLUMNS.map(([column]) => column),
        sheet.y,
        STRONG,
      );
    };
    let top = begin(name);
    for (const landing of landings) {
      if (top > sheet.page.height - MARGIN - 2 * ROW) top = begin(`${name}, continued`);
      swatch(sheet, landing.colour, MARGIN + COLUMNS[0][1] * innerWidth(sheet), top + 8);
      top = cells(
        sheet,
        [
          landing.name,
          `${landing.colour} ${colourName(landing.colour)}, ${landing.cable}`,
          landing.tag,
          showStrip(landing.stripMm, length),
          otherEndText(names, landing.otherEnd),
        ],
        top,
        PLAIN,
      );
    }
  }
  if (cards.length === 0) cardHead(sheet, heading, 'No landings between places yet');
  return bytesOf(sheet);
}

const TAG = { width: 120, height: 44, gap: 6 } as const;
const LABEL_HEIGHT = 84;

const cutLine = (sheet: Sheet, left: number, top: number, width: number, height: number) =>
  sheet.rect(left, top, width, height).lineWidth(0.5).dash(3, { space: 2 }).stroke(MUTE).undash();

/** A label for each of several thermostats on one unit. */
function thermostatLabels(sheet: Sheet, heading: Heading, circuit: Circuit): void {
  const stats = inParallel(circuit);
  if (stats.length === 0) return;
  const names = namesIn(circuit);
  const width = innerWidth(sheet);
  cardHead(sheet, heading, 'Labels for the thermostats');
  for (const id of stats) {
    const top = sheet.y;
    cutLine(sheet, MARGIN, top, width, LABEL_HEIGHT);
    sheet.font(STRONG).fontSize(13).fillColor(INK);
    sheet.text(names.device(id), MARGIN + 10, top + 8, { width: width - 20, height: 16, ellipsis: true });
    sheet
      .font(PLAIN)
      .fontSize(12)
      .text(PARALLEL_LABEL, MARGIN + 10, top + 28, { width: width - 20 });
    sheet.y = top + LABEL_HEIGHT + TAG.gap;
  }
}

/** Tags to cut out and wrap round each end: its mark large, then where both ends go; and labels for thermostats in parallel. */
export function tagsPdf(heading: Heading, circuit: Circuit, size: PaperSize): Promise<Buffer> {
  const names = namesIn(circuit);
  const sheet = newDocument(`Wire tags, ${heading.job}`, size);
  cardHead(sheet, heading, 'Wire tags');
  const across = Math.floor((innerWidth(sheet) + TAG.gap) / (TAG.width + TAG.gap));
  let [column, top] = [0, sheet.y];
  for (const { landings, name: place } of cardsOf(circuit))
    for (const { tag, colour, name, otherEnd } of landings) {
      if (column === across) {
        column = 0;
        top += TAG.height + TAG.gap;
      }
      if (top + TAG.height > sheet.page.height - MARGIN) {
        sheet.addPage();
        top = MARGIN;
      }
      const left = MARGIN + column++ * (TAG.width + TAG.gap);
      cutLine(sheet, left, top, TAG.width, TAG.height);
      swatch(sheet, colour, left + TAG.width - 22, top + 5);
      sheet
        .font(STRONG)
        .fontSize(13)
        .fillColor(INK)
        .text(`${tag}  ${colour}`, left + 5, top + 3, { width: TAG.width - 30, height: 16, ellipsis: true });
      sheet.font(PLAIN).fontSize(7).fillColor(INK);
      sheet.text(`${name}, ${place}`, left + 5, top + 20, {
        width: TAG.width - 10,
        height: 9,
        ellipsis: true,
      });
      sheet.text(`to ${otherEndText(names, otherEnd)}`, left + 5, top + 30, {
        width: TAG.width - 10,
        height: 9,
        ellipsis: true,
      });
    }
  thermostatLabels(sheet, heading, circuit);
  return bytesOf(sheet);
}
