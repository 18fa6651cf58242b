import type { Rect, Spot } from '../shapes';

/** Sizes of the loom, CSS px. Blocks and chips are never under the 44 px a thumb needs. */
export const LOOM = {
  margin: 12,
  /** A name plate's least and greatest width, its type and a line of it, and the line for its state. */
  plate: { least: 76, most: 104, type: 15.5, line: 17, pad: 8 },
  block: { width: 44, most: 58, height: 64, gap: 5 },
  /** A mark's type, and the smaller one of a mark of more letters than `short`. */
  mark: { type: 21, small: 16, short: 4 },
  rowPadding: 12,
  chip: { height: 48, least: 96, most: 240, type: 15 },
  /** Between cards side by side: room for conductors that go down between them. */
  gutter: 40,
  /** Least gap with conductors crossing it: from row to row, and beside a chip. */
  wireGap: 46,
  chipGap: 34,
  /** Least gap with none, and between cards. */
  bareGap: 12,
  cardGap: 40,
  /** From a row to the first channel, and from one channel to the next. */
  turn: 15,
  channel: 12,
  /** Between two conductors that go down side by side, and between two screws on one edge. */
  abreast: 13,
  /** A conductor's middle keeps this from whatever it passes. */
  clear: 9,
  stub: 30,
} as const;

export interface Block extends Rect {
  terminal: string;
  mark: string;
  device: string;
  /** Screws that hold something, at the top and bottom edge: one for each conductor. */
  screws: Spot[];
}

/** One device's name plate beside its row of blocks. */
export interface Plate extends Rect {
  device: string;
  label: string;
  /** The label, broken so that every line fits. */
  lines: string[];
  /** The row carries line voltage. */
  line: boolean;
}

export interface Card extends Rect {
  station: string;
  plates: Plate[];
}

export interface Chip extends Rect {
  device: string;
}

export interface Wire {
  conductor: string;
  /** SVG path data. */
  path: string;
  /** Where the colour tag stands. */
  tag: Spot;
  /** Where to draw a free end. */
  loose: Spot | null;
}

export interface Loom {
  width: number;
  height: number;
  cards: Card[];
  blocks: Block[];
  chips: Chip[];
  wires: Wire[];
  /** Conductors free at both ends. */
  spares: string[];
}
