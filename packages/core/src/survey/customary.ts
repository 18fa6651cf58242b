/** Customary insulation colours: common practice, a hint and never proof. */
import type { ColourCode } from '../standards';
import { COLOUR_CODES } from '../standards';

const BY_MARK: Readonly<Record<string, readonly ColourCode[]>> = {
  R: ['RD'],
  RC: ['RD'],
  RH: ['RD'],
  C: ['BU', 'BK'],
  X: ['BU', 'BK'],
  Y: ['YE'],
  Y1: ['YE'],
  Y2: ['BU', 'YE'],
  W: ['WH'],
  W1: ['WH'],
  W2: ['BN', 'WH'],
  AUX: ['WH', 'BN'],
  E: ['BN'],
  G: ['GN'],
  O: ['OG'],
  B: ['BU', 'BN'],
  OB: ['OG', 'BU'],
  D: ['WH', 'BN'],
  // The run between two halves, by region: IEC, then North America and Japan.
  '1': ['BN', 'BK'],
  S1: ['BN', 'BK'],
  '2': ['BU', 'WH'],
  '2N': ['BU', 'WH'],
  S2: ['BU', 'WH'],
  '3': ['BK', 'RD'],
  S3: ['BK', 'RD'],
  PE: ['GNYE', 'GN'],
};

/** On the two-wire cable outdoors red is Y and white is C. */
const OUTDOOR_PAIR: Readonly<Record<string, readonly ColourCode[]>> = {
  Y: ['RD', 'YE'],
  C: ['WH', 'BU', 'BK'],
};

/** Colours customary on a mark, the usual one first; none where there is no custom. */
export function customaryColours(mark: string, outdoors = false): readonly ColourCode[] {
  return (outdoors ? OUTDOOR_PAIR[mark] : undefined) ?? BY_MARK[mark] ?? [];
}

/** Every colour, the customary ones first: the order of the palette. */
export function paletteFor(mark: string, outdoors = false): ColourCode[] {
  const first = customaryColours(mark, outdoors);
  return [...first, ...COLOUR_CODES.filter((code) => !first.includes(code))];
}
