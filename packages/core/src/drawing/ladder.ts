/**
 * Geometry of the ladder: hot rail at the left, common at the right, a rung for each load.
 * Plain shapes that do not depend on what the circuit does now.
 */
import type { Network } from '../network';
import type { Piece, Rung, Section } from './rungs';
import { sectionsOf } from './rungs';
import type { Spot } from './shapes';

/** Sizes, CSS px. A stop is as wide as a thumb. */
export const LADDER = {
  margin: 18,
  stop: 44,
  symbol: 56,
  /** From a rung to the next, and from a way to the way beside it. */
  rung: 96,
  way: 84,
  head: 44,
  gap: 36,
} as const;

/** A terminal on a rung; a tap puts a probe there. */
export interface LadderStop extends Spot {
  point: string;
  device: string;
  mark: string;
}

/** A piece of wire; it stands as `point` stands. */
export interface LadderWire {
  from: Spot;
  to: Spot;
  /** Terminal it is on, or `null` where none is in reach. */
  point: string | null;
  /** Conductor whose colour tag stands in the middle. */
  conductor: string | null;
}

export interface LadderSymbol extends Spot {
  /** `contact`, `load`, or the `source` that feeds a section. */
  type: 'contact' | 'load' | 'source';
  /** Contact id, `device/load`, or device. */
  id: string;
  device: string;
  label: string;
  /** Contacts only: closed while nothing calls. */
  restsClosed: boolean;
}

export interface LadderRail {
  x: number;
  top: number;
  bottom: number;
  point: string | null;
}

export interface LadderHead extends Spot {
  title: string;
  line: boolean;
}

export interface Ladder {
  width: number;
  height: number;
  heads: LadderHead[];
  rails: LadderRail[];
  stops: LadderStop[];
  wires: LadderWire[];
  symbols: LadderSymbol[];
  sections: readonly Section[];
}

/** A pen that draws pieces from left to right. */
interface Pen extends Spot {
  point: string | null;
}

const widthOf = (pieces: readonly Piece[]) =>
  pieces.reduce(
    (sum, { type }) => sum + (type === 'stop' ? LADDER.stop : type === 'wire' ? 0 : LADDER.symbol),
    0,
  );

const middleWidth = ({ ways }: Rung) => Math.max(0, ...ways.map(widthOf));
const rungWidth = (rung: Rung) => widthOf(rung.before) + middleWidth(rung) + widthOf(rung.after);
const rungHeight = ({ ways }: Rung) => LADDER.rung + Math.max(0, ways.length - 1) * LADDER.way;

function symbolOf(piece: Extract<Piece, { type: 'contact' | 'load' }>): Omit<LadderSymbol, 'x' | 'y'> {
  if (piece.type === 'load')
    return { type: 'load', id: piece.load, device: piece.device, label: piece.title, restsClosed: false };
  const { id, device, title, restsClosed } = piece.contact;
  return { type: 'contact', id, device, label: title, restsClosed };
}

class Drawing {
  readonly heads: LadderHead[] = [];
  readonly rails: LadderRail[] = [];
  readonly stops: LadderStop[] = [];
  readonly wires: LadderWire[] = [];
  readonly symbols: LadderSymbol[] = [];

  wire(from: Spot, to: Spot, point: string | null, conductor: string | null = null): void {
    if (from.x !== to.x || from.y !== to.y)
      this.wires.push({ from: { ...from }, to: { ...to }, point, conductor });
  }

  symbol(symbol: Omit<LadderSymbol, 'x' | 'y'>, { x, y }: Spot): void {
    this.symbols.push({ ...symbol, x: x + LADDER.symbol / 2, y });
  }

  /** Draws pieces and leaves the pen behind the last of them. */
  pieces(pieces: readonly Piece[], pen: Pen): Pen {
    let conductor: string | null = null;
    let { x, point } = pen;
    const { y } = pen;
    for (const piece of pieces) {
      if (piece.type === 'wire') conductor = piece.conductor;
      else if (piece.type === 'stop') {
        const { stop } = piece;
        const at = { x: x + LADDER.stop / 2, y };
        this.wire({ x, y }, at, point, conductor);
        this.wire(at, { x: x + LADDER.stop, y }, stop.point);
        this.stops.push({ ...stop, ...at });
        ({ point } = stop);
        conductor = null;
        x += LADDER.stop;
      } else {
        this.symbol(symbolOf(piece), { x, y });
        x += LADDER.symbol;
        point = null;
      }
    }
    return { x, y, point };
  }

  /** Draws ways one below the other between the same two uprights. */
  ways(ways: readonly (readonly Piece[])[], pen: Pen, width: number): Pen {
    let end: Pen = pen;
    ways.forEach((way, i) => {
      const y = pen.y + i * LADDER.way;
      this.wire(pen, { x: pen.x, y }, pen.point);
      const drawn = this.pieces(way, { ...pen, y });
      this.wire(drawn, { x: pen.x + width, y }, drawn.point);
      this.wire({ x: pen.x + width, y: pen.y }, { x: pen.x + width, y }, drawn.point);
      if (i === 0) end = { x: pen.x + width, y: pen.y, point: drawn.point };
    });
    return end;
  }
}

/** Lays a network out; the picture is as wide as its longest rung, and not narrower than `least` px. */
export function layLadder(network: Network, least = 0): Ladder {
  const sections = sectionsOf(network);
  const drawing = new Drawing();
  const trunkWidth = ({ trunk }: Section) => widthOf(trunk) + LADDER.symbol + LADDER.stop;
  const inner = Math.max(
    least - 2 * LADDER.margin,
    ...sections.flatMap((section) => [trunkWidth(section), ...section.rungs.map(rungWidth)]),
  );
  const [left, right] = [LADDER.margin, LADDER.margin + inner];
  let y = 0;
  for (const section of sections) {
    drawing.heads.push({ x: left, y: y + LADDER.head / 2, title: section.title, line: section.line });
    y += LADDER.head;
    const top = y + LADDER.rung / 2;
    // The trunk is drawn from the rail back to its supply, which closes the loop to the other rail.
    const trunk = [...section.trunk].reverse();
    const lead = drawing.pieces(trunk, { x: left, y: top, point: null });
    const { supply, title } = section;
    drawing.symbol({ type: 'source', id: supply, device: supply, label: title, restsClosed: false }, lead);
    drawing.wire({ x: lead.x + LADDER.symbol, y: top }, { x: right, y: top }, null);
    y += LADDER.rung;
    let bottom = top;
    const railPoint = section.trunk.findLast((piece) => piece.type === 'stop')?.stop.point ?? null;
    for (const rung of section.rungs) {
      const at = y + LADDER.rung / 2;
      const before = drawing.pieces(rung.before, { x: left, y: at, point: railPoint });
      const middle = rung.ways.length > 0 ? drawing.ways(rung.ways, before, middleWidth(rung)) : before;
      const after = drawing.pieces(rung.after, middle);
      drawing.wire(after, { x: right, y: at }, after.point);
      bottom = at;
      y += rungHeight(rung);
    }
    drawing.rails.push({ x: left, top, bottom, point: railPoint }, { x: right, top, bottom, point: null });
    y += LADDER.gap;
  }
  const { heads, rails, stops, wires, symbols } = drawing;
  return { width: right + LADDER.margin, height: y, heads, rails, stops, wires, symbols, sections };
}
