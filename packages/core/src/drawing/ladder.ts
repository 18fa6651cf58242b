/**
 * Geometry of the ladder: hot rail at the left, common at the right, a rung for each load.
 * Plain shapes that do not depend on what the circuit does now.
 */
import type { Piece, Rung, Section } from '../behaviour/rungs';
import type { Spot } from './shapes';

/** Sizes, CSS px. A stop is as wide as a thumb. */
export const LADDER = {
  margin: 18,
  stop: 44,
  /** From the rail to the first piece, so that a tag has room. */
  lead: 18,
  /** Wide enough for a name over it. */
  symbol: 92,
  /** From a rung to the next, and from a way to the way beside it. */
  rung: 108,
  way: 100,
  head: 44,
  gap: 36,
} as const;

/** A terminal on a rung; a tap puts a probe there. */
export interface LadderStop extends Spot {
  node: string;
  device: string;
  mark: string;
}

/** A piece of wire; it stands as `node` stands. */
export interface LadderWire {
  from: Spot;
  to: Spot;
  /** Terminal it is on, or `null` where none is in reach. */
  node: string | null;
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
  /** The label in lines short enough to stand over the symbol. */
  lines: readonly string[];
  /** Contacts only: closed while nothing calls. */
  restsClosed: boolean;
}

export interface LadderRail {
  x: number;
  top: number;
  bottom: number;
  node: string | null;
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

/** Half of what a symbol's own strokes and leads take. */
export const SYMBOL_REACH = 28;

/** A pen that draws pieces from left to right; `since` is where the wire to the next piece begins. */
interface Pen extends Spot {
  since: Spot;
  node: string | null;
}

/** A pen that has left the rail by the lead. */
const leadIn = (spot: Spot, node: string | null): Pen => ({
  x: spot.x + LADDER.lead,
  y: spot.y,
  since: spot,
  node,
});

const penAt = (spot: Spot, node: string | null): Pen => ({ ...spot, since: spot, node });

const widthOf = (pieces: readonly Piece[]) =>
  pieces.reduce(
    (sum, { type }) => sum + (type === 'stop' ? LADDER.stop : type === 'wire' ? 0 : LADDER.symbol),
    0,
  );

const middleWidth = ({ ways }: Rung) => Math.max(0, ...ways.map((way) => LADDER.lead + widthOf(way)));
const rungWidth = (rung: Rung) =>
  LADDER.lead + widthOf(rung.before) + middleWidth(rung) + widthOf(rung.after);
const rungHeight = ({ ways }: Rung) => LADDER.rung + Math.max(0, ways.length - 1) * LADDER.way;

/** Longest line over a symbol, characters of condensed type. */
const LONGEST_LINE = 15;

/** Breaks a label between words into at most two lines; what is still too long is cut. */
function linesOf(label: string): string[] {
  const lines = ['', ''];
  let at = 0;
  for (const word of label.split(' ')) {
    const longer = lines[at] === '' ? word : `${lines[at]} ${word}`;
    if (longer.length <= LONGEST_LINE || lines[at] === '') lines[at] = longer;
    else if (at === 0) lines[(at = 1)] = word;
    else lines[1] += ` ${word}`;
  }
  return lines
    .filter((line) => line !== '')
    .map((line) => (line.length > LONGEST_LINE + 2 ? `${line.slice(0, LONGEST_LINE)}…` : line));
}

function symbolOf(piece: Extract<Piece, { type: 'contact' | 'load' }>): Omit<LadderSymbol, 'x' | 'y'> {
  if (piece.type === 'load')
    return {
      type: 'load',
      id: piece.load,
      device: piece.device,
      label: piece.title,
      lines: linesOf(piece.title),
      restsClosed: false,
    };
  const { id, device, title, restsClosed } = piece.contact;
  return { type: 'contact', id, device, label: title, lines: linesOf(title), restsClosed };
}

class Drawing {
  readonly heads: LadderHead[] = [];
  readonly rails: LadderRail[] = [];
  readonly stops: LadderStop[] = [];
  readonly wires: LadderWire[] = [];
  readonly symbols: LadderSymbol[] = [];

  wire(from: Spot, to: Spot, node: string | null, conductor: string | null = null): void {
    if (from.x !== to.x || from.y !== to.y)
      this.wires.push({ from: { ...from }, to: { ...to }, node, conductor });
  }

  /** Draws pieces and leaves the pen behind the last of them. */
  pieces(pieces: readonly Piece[], pen: Pen): Pen {
    let conductor: string | null = null;
    let { x, since, node } = pen;
    const { y } = pen;
    for (const piece of pieces) {
      if (piece.type === 'wire') conductor = piece.conductor;
      else if (piece.type === 'stop') {
        const at = { x: x + LADDER.stop / 2, y };
        this.wire(since, at, node ?? piece.stop.node, conductor);
        this.stops.push({ ...piece.stop, ...at });
        ({ node } = piece.stop);
        since = at;
        conductor = null;
        x += LADDER.stop;
      } else {
        const middle = x + LADDER.symbol / 2;
        this.wire(since, { x: middle - SYMBOL_REACH, y }, node);
        this.symbols.push({ ...symbolOf(piece), x: middle, y });
        since = { x: middle + SYMBOL_REACH, y };
        x += LADDER.symbol;
        node = null;
      }
    }
    return { x, y, since, node };
  }

  /** Draws ways one below the other between the same two uprights. */
  ways(ways: readonly (readonly Piece[])[], pen: Pen, width: number): Pen {
    const [start, end] = [pen.x, pen.x + width];
    this.wire(pen.since, { x: start, y: pen.y }, pen.node);
    let node: string | null = null;
    ways.forEach((way, i) => {
      const y = pen.y + i * LADDER.way;
      this.wire({ x: start, y: pen.y }, { x: start, y }, pen.node);
      const drawn = this.pieces(way, leadIn({ x: start, y }, pen.node));
      this.wire(drawn.since, { x: end, y }, drawn.node);
      this.wire({ x: end, y: pen.y }, { x: end, y }, drawn.node);
      if (i === 0) ({ node } = drawn);
    });
    return penAt({ x: end, y: pen.y }, node);
  }
}

/** Lays the sections of a network out; the picture is as wide as its longest rung, and not narrower than `least` px. */
export function layLadder(sections: readonly Section[], least = 0): Ladder {
  const drawing = new Drawing();
  const trunkWidth = ({ trunk }: Section) => LADDER.lead + widthOf(trunk) + LADDER.symbol + LADDER.stop;
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
    const lead = drawing.pieces(trunk, leadIn({ x: left, y: top }, null));
    const middle = lead.x + LADDER.symbol / 2;
    const { supply, title } = section;
    drawing.wire(lead.since, { x: middle - SYMBOL_REACH, y: top }, lead.node);
    drawing.symbols.push({
      type: 'source',
      id: supply,
      device: supply,
      label: title,
      lines: linesOf(title),
      restsClosed: false,
      x: middle,
      y: top,
    });
    drawing.wire({ x: middle + SYMBOL_REACH, y: top }, { x: right, y: top }, null);
    y += LADDER.rung;
    let bottom = top;
    const railNode = section.trunk.findLast((piece) => piece.type === 'stop')?.stop.node ?? null;
    for (const rung of section.rungs) {
      const at = y + LADDER.rung / 2;
      const before = drawing.pieces(rung.before, leadIn({ x: left, y: at }, railNode));
      const beside = rung.ways.length > 0 ? drawing.ways(rung.ways, before, middleWidth(rung)) : before;
      const after = drawing.pieces(rung.after, beside);
      drawing.wire(after.since, { x: right, y: at }, after.node);
      bottom = at;
      y += rungHeight(rung);
    }
    drawing.rails.push({ x: left, top, bottom, node: railNode }, { x: right, top, bottom, node: null });
    y += LADDER.gap;
  }
  const { heads, rails, stops, wires, symbols } = drawing;
  return { width: right + LADDER.margin, height: y, heads, rails, stops, wires, symbols, sections };
}
