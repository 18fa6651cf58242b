/** Sizes and shapes of the loom, CSS px. Blocks and chips are never under the 44 px a thumb needs. */
export const LOOM = {
  margin: 12,
  plate: 76,
  block: { width: 44, most: 58, height: 64, gap: 5 },
  rowPadding: 12,
  chip: { height: 48, gap: 14 },
  /** Least gap with conductors crossing it, between cards and inside one. */
  wireGap: 64,
  /** Least gap with none. */
  bareGap: 12,
  cardGap: 40,
  lane: 9,
  /** Height a conductor takes to turn into or out of the lanes. */
  turn: 18,
  stub: 28,
} as const;

export interface Spot {
  x: number;
  y: number;
}

export interface Rect extends Spot {
  width: number;
  height: number;
}

export interface Block extends Rect {
  terminal: string;
  mark: string;
  device: string;
  /** Screws that hold something, at the top and bottom edge. */
  screws: Spot[];
}

/** One device's name plate beside its row of blocks. */
export interface Plate extends Rect {
  device: string;
  label: string;
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

export const centre = (block: Rect) => block.x + block.width / 2;
