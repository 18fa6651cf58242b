/** How far a small radio reaches: an estimate, never a promise. */

/** Loss of a free path, dB: ITU-R P.525, 32.4 + 20 log f + 20 log d with MHz and km; from memory. */
export const freeSpaceLoss = (metres: number, megahertz: number): number =>
  32.4 + 20 * Math.log10(megahertz) + 20 * Math.log10(Math.max(metres, 1) / 1000);

/** A licence-free band as such links use it, MHz; what a module sends with and still hears, dBm. From memory. */
const BAND_MHZ = 915;
const SENDS_DBM = 10;
const HEARS_DBM = -100;
/** What an ordinary inner or outer wall takes, and what must be left for rain, people and furniture, dB. From memory. */
const WALL_DB = 9;
const FADE_DB = 20;

export interface AirPath {
  metres: number;
  walls: number;
}

/** What is left over on a path once everything is taken off, dB; below nothing it is not heard for certain. */
export const linkMargin = ({ metres, walls }: AirPath): number =>
  SENDS_DBM - freeSpaceLoss(metres, BAND_MHZ) - walls * WALL_DB - FADE_DB - HEARS_DBM;
