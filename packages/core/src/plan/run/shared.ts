/** Two calls on one conductor of a run outdoors: an adapter puts them on it beside the unit, its other half takes them off again. */
import type { Circuit, Device } from '../../circuit';
import {
  ENDS,
  addDevice,
  findDevice,
  freeDeviceId,
  land,
  landedOn,
  otherEnd,
  splitTerminal,
} from '../../circuit';
import { PARTS } from '../../devices';
import { addLeads } from '../field/cable';
import type { Landed } from './lines';
import { linesOf } from './lines';

/** The calls that share, the one whose conductor they keep first. */
export const SHARED = ['Y', 'O'] as const;

interface Sharing {
  /** The conductor that is no longer needed. */
  freed: Landed;
  /** Puts the adapter in, once the others are landed where they stay. */
  share(landed: Circuit): Circuit;
}

const stationOf = (circuit: Circuit, terminal: string) =>
  findDevice(circuit, splitTerminal(terminal).deviceId)!.station;

/** How a run shares a conductor; `null` where it has not both calls, or no hot and common for the half outdoors. */
export function sharedOn(circuit: Circuit, carried: readonly Landed[]): Sharing | null {
  const lines = linesOf(circuit, carried);
  const of = (role: string) => lines?.find((line) => line.role === role);
  const [hot, common, first, second] = [of('hot'), of('common'), of('Y'), of('O')];
  if (!hot || !common || !first || !second) return null;
  if (stationOf(circuit, first.indoors) !== stationOf(circuit, second.indoors)) return null;
  if (stationOf(circuit, first.outdoors) !== stationOf(circuit, hot.outdoors)) return null;
  const freed = carried.find(({ from, to }) => [from, to].includes(second.outdoors))!;
  const share = (landed: Circuit): Circuit => {
    // Y's conductor, whichever it is by now, becomes the shared one.
    const ids = new Set(
      landed.cables
        .find(({ conductors }) => conductors.some(({ id }) => id === freed.id))!
        .conductors.map(({ id }) => id),
    );
    const on = landedOn(landed, first.outdoors).find(({ conductor }) => ids.has(conductor.id))!;
    const [combiner, splitter] = [freeDeviceId(landed, 'combiner'), freeDeviceId(landed, 'splitter')];
    const device = (id: string, kind: string, at: string, label: string): Device => ({
      id,
      kind,
      station: stationOf(landed, at),
      label,
      params: {},
      settings: {},
    });
    const placed = [
      device(combiner, PARTS.combiner, first.indoors, 'Call combiner'),
      device(splitter, PARTS.splitter, first.outdoors, 'Call splitter'),
    ].reduce((now, one) => addDevice(now, one), landed);
    const ends = { [on.end]: `${splitter}.IN`, [otherEnd(on.end)]: `${combiner}.OUT` };
    const joined = ENDS.reduce((now, end) => land(now, on.conductor.id, end, ends[end]!), placed);
    const inside = addLeads(joined, 'combinerLeads', 'Combiner leads', [
      ['YE', first.indoors, `${combiner}.IN1`],
      ['OG', second.indoors, `${combiner}.IN2`],
    ]);
    return addLeads(inside, 'splitterLeads', 'Splitter leads', [
      ['RD', hot.outdoors, `${splitter}.R`],
      ['BU', common.outdoors, `${splitter}.C`],
      ['YE', `${splitter}.OUT1`, first.outdoors],
      ['OG', `${splitter}.OUT2`, second.outdoors],
    ]);
  };
  return { freed, share };
}
