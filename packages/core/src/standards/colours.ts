/**
 * Insulation colours by the letter codes of IEC 60757, with a screen colour for
 * each. The code is the meaning; the hex value only has to be recognisable.
 */
export const COLOURS = {
  BK: { name: 'black', hex: '#1F1F1F' },
  BN: { name: 'brown', hex: '#7A4A21' },
  RD: { name: 'red', hex: '#CF2F26' },
  OG: { name: 'orange', hex: '#EA7A1A' },
  YE: { name: 'yellow', hex: '#EFC11B' },
  GN: { name: 'green', hex: '#2F8A3E' },
  BU: { name: 'blue', hex: '#2B62C9' },
  VT: { name: 'violet', hex: '#7B47A8' },
  GY: { name: 'grey', hex: '#8A8F90' },
  WH: { name: 'white', hex: '#FFFFFF' },
  PK: { name: 'pink', hex: '#EE8FA8' },
  TQ: { name: 'turquoise', hex: '#2FB3A9' },
  /** Protective earth, and nothing else. */
  GNYE: { name: 'green-yellow', hex: '#7FA63A' },
} as const;

export type ColourCode = keyof typeof COLOURS;
export const COLOUR_CODES = Object.keys(COLOURS) as ColourCode[];

/** The colour's English name in lower case. */
export function colourName(code: ColourCode): string {
  return COLOURS[code].name;
}

/**
 * Line-voltage colours by region: IEC 60446 (now in IEC 60445); NFPA 70 (NEC) 200.6 and 250.119 for North America; usage for
 * Japan; all from memory.
 */
export const LINE_COLOURS = {
  america: { line: ['BK', 'RD'], neutral: 'WH', earth: 'green or bare' },
  iec: { line: ['BN', 'BK', 'GY'], neutral: 'BU', earth: 'green-yellow' },
  japan: { line: ['BK', 'RD'], neutral: 'WH', earth: 'green' },
} as const satisfies Record<string, { line: readonly ColourCode[]; neutral: ColourCode; earth: string }>;
export type LineRegion = keyof typeof LINE_COLOURS;

/** The same for a run between two halves; its signal has a second line's colour, for it may stand at line voltage. */
export const RUN_COLOURS = {
  america: { line: 'BK', neutral: 'WH', signal: 'RD', earth: 'GN' },
  iec: { line: 'BN', neutral: 'BU', signal: 'BK', earth: 'GNYE' },
  japan: { line: 'BK', neutral: 'WH', signal: 'RD', earth: 'GN' },
} as const satisfies Record<LineRegion, Record<'line' | 'neutral' | 'signal' | 'earth', ColourCode>>;

/** Whether a colour is kept for the protective earth in line-voltage wiring. */
export const isEarthColour = (colour: ColourCode): boolean => colour === 'GNYE' || colour === 'GN';
