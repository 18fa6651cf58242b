/**
 * Colours as diagrams write them. Codes of IEC 60757; the letters of DIN 47100 and of English, French and Spanish diagrams from
 * memory. Letters that mean one colour in one language and another in the next are asked about, never guessed.
 */
import type { ColourCode } from '../../standards';
import { COLOURS, COLOUR_CODES } from '../../standards';

const WRITTEN: Readonly<Record<ColourCode, string>> = {
  BK: 'blk black sw schwarz noir negro',
  BN: 'brn brown br braun marron brun',
  RD: 'red rd r rt rot rouge rojo',
  OG: 'orn org orange or o naranja',
  YE: 'yel yellow y jaune gelb amarillo',
  GN: 'grn green grün gruen vert verde',
  BU: 'blu blue blau bleu azul',
  VT: 'vio violet pur purple purp violett lila violeta morado',
  GY: 'gry gray grey gra grau gris',
  WH: 'wht white w ws weiß weiss blanc blanco',
  PK: 'pnk pink rs rosa rose',
  TQ: 'trq turquoise tk türkis turquesa',
  GNYE: 'grn/yel green/yellow gn/ye gn-ye ge/gn gelb/grün vert/jaune verde/amarillo y/g g/y',
};

/** Letters of two meanings. */
const UNSURE: Readonly<Record<string, readonly ColourCode[]>> = {
  gr: ['GN', 'GY'],
  g: ['GN', 'GY'],
  bl: ['BU', 'BK'],
  b: ['BK', 'BU'],
  ge: ['YE', 'GN'],
  v: ['VT', 'GN'],
  p: ['VT', 'PK'],
  n: ['BK'],
  vi: ['VT'],
  vd: ['GN'],
};

const KNOWN = new Map<string, ColourCode>([
  ...COLOUR_CODES.map((code) => [code.toLowerCase(), code] as const),
  ...COLOUR_CODES.map((code) => [COLOURS[code].name, code] as const),
  ...COLOUR_CODES.flatMap((code) => WRITTEN[code].split(' ').map((word) => [word, code] as const)),
]);

type ColourRead =
  { type: 'is'; colour: ColourCode } | { type: 'may-be'; colours: readonly ColourCode[] } | { type: 'none' };

/** Reads one word as a colour; a stripe after a stroke is left out, but green and yellow together are an earth. */
export function readColour(word: string): ColourRead {
  const plain = word.toLowerCase();
  const whole = KNOWN.get(plain);
  if (whole) return { type: 'is', colour: whole };
  const [base = '', stripe] = plain.split(/[/-]/);
  const unsure = UNSURE[base];
  const known = KNOWN.get(base);
  if (stripe !== undefined && readColour(stripe).type === 'none') return { type: 'none' };
  if (known) return { type: 'is', colour: known };
  if (!unsure) return { type: 'none' };
  return unsure.length === 1 ? { type: 'is', colour: unsure[0]! } : { type: 'may-be', colours: unsure };
}
