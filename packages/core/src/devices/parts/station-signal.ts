/**
 * How a remote station asks its detector for a test or a reset, over the terminal T/R. Three ways are met, and they do not
 * mix: each detector understands its own. Which is which way inside is from memory; that they do not mix is common practice.
 */
import type { BranchElement } from '../element';
import { CLOSED_CONTACT_OHMS, path } from '../element';

export const STATION_WAYS = {
  key: 'A key',
  button: 'A button',
  magnet: 'A magnet',
} as const;
export type StationWay = keyof typeof STATION_WAYS;

/** What holds T/R where it rests, and what a magnet’s reed has in series, Ω. From memory. */
const REST_OHMS = 10_000;

/** At the detector: the end of the supply that T/R rests at. A key makes it hot; the others pull it down from hot. */
export const restOf = (way: StationWay): BranchElement =>
  path('rest', 'T/R', way === 'key' ? 'C' : 'R', REST_OHMS);

/** At the station: what closes between T/R and a side of the supply. */
export function pressedContact(way: StationWay): BranchElement {
  const ohms = way === 'magnet' ? REST_OHMS : CLOSED_CONTACT_OHMS;
  return {
    kind: 'branch',
    id: 'switch',
    a: 'T/R',
    b: way === 'key' ? 'S+' : 'S-',
    nature: 'path',
    positions: { open: 'open', closed: { ohms } },
  };
}

/** Whether what stands at T/R, of the volts of the supply, is what this way of asking makes of it. */
export function isAsked(way: StationWay, volts: number, supply: number): boolean {
  const share = volts / supply;
  if (way === 'key') return share > 0.7;
  return way === 'button' ? share < 0.15 : share > 0.3 && share < 0.7;
}
