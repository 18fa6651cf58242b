/**
 * Symbols of the ladder as strokes about their own middle, leads reaching to ±28 px. Two styles: the
 * ladder's two bars and circle of North American diagrams, and the blade and box of IEC 60617.
 */
import type { LadderSymbol } from './ladder';

export const SYMBOL_STYLES = ['bars', 'blade'] as const;
export type SymbolStyle = (typeof SYMBOL_STYLES)[number];

export interface Stroke {
  d: string;
  /** Filled rather than drawn. */
  solid?: boolean;
}

interface Shown extends Pick<LadderSymbol, 'type' | 'restsClosed'> {
  /** Contacts: passes current now. Loads: energised. */
  on: boolean;
}

const leads = (reach: number): Stroke => ({ d: `M-28 0H-${reach}M${reach} 0H28` });

/** Two bars; a slash through them rests closed, a bridge over them is closed now. */
function bars({ restsClosed, on }: Shown): Stroke[] {
  return [
    leads(7),
    { d: 'M-7 -13V13M7 -13V13' },
    ...(restsClosed ? [{ d: 'M-12 13L12 -13' }] : []),
    ...(on ? [{ d: 'M-7 -18H7V-14H-7Z', solid: true }] : []),
  ];
}

/** A hinged blade; it rests above the lead or, resting closed, against a stop. */
function blade({ restsClosed, on }: Shown): Stroke[] {
  return [
    leads(14),
    { d: on ? 'M-14 0L15 -2' : 'M-14 0L12 -14' },
    ...(restsClosed ? [{ d: 'M14 0V-12H10' }] : []),
    { d: 'M-16 -2H-12V2H-16Z', solid: true },
  ];
}

const LOADS: Record<SymbolStyle, string> = {
  bars: 'M-15 0A15 15 0 1 0 15 0A15 15 0 1 0 -15 0',
  blade: 'M-11 -17H11V17H-11Z',
};

/** A load; energised it carries a dot. */
function load(style: SymbolStyle, { on }: Shown): Stroke[] {
  const reach = style === 'bars' ? 15 : 11;
  const dot = { d: 'M-6 0A6 6 0 1 0 6 0A6 6 0 1 0 -6 0', solid: true };
  return [leads(reach), { d: LOADS[style] }, ...(on ? [dot] : [])];
}

/** Two windings that share a core, or, for a branch circuit, a source. */
const SOURCE: Record<SymbolStyle, string> = {
  bars: 'M-20 0a5 5 0 0 1 10 0a5 5 0 0 1 10 0a5 5 0 0 1 10 0a5 5 0 0 1 10 0M-20 -12H20',
  blade: 'M-16 0a11 11 0 1 0 22 0a11 11 0 1 0 -22 0M-6 0a11 11 0 1 0 22 0a11 11 0 1 0 -22 0',
};

/** Strokes of a symbol as it stands. */
export function symbolStrokes(style: SymbolStyle, shown: Shown): Stroke[] {
  if (shown.type === 'load') return load(style, shown);
  if (shown.type === 'source') return [leads(style === 'bars' ? 20 : 16), { d: SOURCE[style] }];
  return style === 'bars' ? bars(shown) : blade(shown);
}
