/** Safeties in a circuit, place by place: what each stops, what the water does, who is told. */
import type { Flooded, Insertion, PlaceReason, Tripped } from '../../plan';
import { UNSEEN_S } from '../../plan';
import type { Names } from '../names';
import { inSentence, listed } from '../phrases';
import { showDuration, showVolume } from '../show';
import type { Units } from '../units';
import { situationText } from './situation';

/** What a place is called. */
export function placeTitle({ circuit }: Names, { id, at }: Pick<Insertion, 'id' | 'at'>): string {
  switch (id) {
    case 'ahead':
      return 'In R, ahead of everything';
    case 'R':
      return 'In R to the thermostat';
    case 'Y':
      return 'In Y from the thermostat';
    case 'outdoor':
      return 'In Y to the outdoor unit';
    case 'load':
      return `At ${circuit.devices.find((device) => at.startsWith(`${device.id}.`))?.label ?? at}`;
  }
}

/** Where that is. */
export const insertionPlace = (names: Names, { into, at }: Pick<Insertion, 'into' | 'at'>): string =>
  `Cut into ${names.conductor(into)}, at ${names.node(at)}.`;

export function placeReason(reason: PlaceReason): string {
  switch (reason) {
    case 'only-dry':
      return 'Nowhere else does it stop the water in every call.';
    case 'tells':
      return 'It stops the water in every call, and it is noticed.';
    case 'leaves-most':
      return 'It stops what it has to stop, and leaves the most running.';
  }
}

/** What one trip does in a call, sentence by sentence. */
export function trippedText({ stops, goesOn, told, againS, restless }: Tripped): string[] {
  return [
    stops.length > 0 ? `Stops: ${stops.map(inSentence).join(', ')}.` : 'Stops nothing.',
    ...(goesOn.length > 0 ? [`Goes on: ${goesOn.map(inSentence).join(', ')}.`] : []),
    told ? 'It is noticed: a screen goes blank or a sounder sounds.' : 'Nobody is told.',
    ...(againS !== null && againS > 1 ? [`Cleared, all runs again in ${showDuration(againS)}.`] : []),
    ...(restless ? ['Nothing makes the compressor rest before it starts again.'] : []),
  ];
}

/** Less than this is a wet rim, l. */
const SOME_LITRES = 0.05;

/** What the water does while nobody looks. */
export const floodedText = (
  { device }: Names,
  { situation, blocked, litres }: Flooded,
  units: Units,
): string =>
  `${device(blocked)} blocked, ${situationText(situation)}: ${litres < SOME_LITRES ? 'nothing runs over' : `${showVolume(litres, units.length)} on the ceiling`}`;

export const UNSEEN = `blocked and unseen for ${showDuration(UNSEEN_S)}`;

/** How often it opens on a drain that is nearly blocked. */
export const opensText = (opens: number): string | null =>
  opens < 2
    ? null
    : `On a drain that is nearly blocked it opens ${opens} times a day: whoever comes may find all running.`;

/** What is to be known of those in a row that have a supply of their own, or stay tripped. */
export const rowText = (
  { device }: Names,
  { supplied, latched }: Pick<Insertion, 'supplied' | 'latched'>,
): string[] => [
  ...supplied.map(({ device: id, keeps }) =>
    keeps
      ? `${device(id)} keeps its own supply and its lamp.`
      : `${device(id)} loses its own supply: no lamp says why.`,
  ),
  ...latched.map((id) => `${device(id)} stays tripped until it is reset by hand.`),
];

/** What still stops it all while one of several is bypassed. */
export function coveredText({ device }: Names, covered: Insertion['covered']): string[] {
  if (covered.length === 0) return [];
  if (covered.every(({ still }) => still.length >= covered.length - 1))
    return [
      covered.length === 2
        ? 'Either of them bypassed, the other still stops it.'
        : `Any one of the ${covered.length} bypassed, the others still stop it.`,
    ];
  return covered.map(({ device: bypassed, still }) => {
    const others = `${listed(still.map(device))} still ${still.length > 1 ? 'stop' : 'stops'} it`;
    return `${device(bypassed)} bypassed: ${still.length > 0 ? others : 'nothing else stops it'}.`;
  });
}

export const insulatedText = ({ node }: Names, terminals: readonly string[]): string | null =>
  terminals.length === 0
    ? null
    : `Unused: ${listed(terminals.map(node))}. Insulate ${terminals.length > 1 ? 'each on its own' : 'it'}.`;
