/** Faults of another hand, drawn; and the place that has one. */
import type { Circuit } from '../../circuit';
import { exchanged, moved, otherBlock, outOfNut, rotated } from './landings';
import { coilShorted, contactOpen, listedMode, lowLine, settingWrong, trippedOrOff } from './parts';
import type { Random } from './pick';
import { pickOf } from './pick';
import type { Truth } from './truth';
import { broken, joint, loose, strand, toMetal, touching } from './wires';

export { visit } from './visit';
export type { Stand, Trying, Visit } from './visit';
export type { Found, Kind, Like, Truth } from './truth';

type Make = (circuit: Circuit, random: Random) => Truth | null;

/** Makes it show in half of what is done only. */
const nowAndThen =
  (makers: readonly Make[]): Make =>
  (circuit, random) => {
    const made = pickOf(random, makers)!(circuit, random);
    return made && { ...made, kind: 'now and then', text: `now and then: ${made.text}`, nowAndThen: true };
  };

/** How many of each of a hundred faults; judgement, with few of what is listed so that the others are met often. */
const MAKERS: readonly (readonly [share: number, make: Make])[] = [
  [5, lowLine],
  [3, strand],
  [3, contactOpen],
  [6, toMetal],
  [7, coilShorted],
  [8, joint],
  [10, touching],
  [4, settingWrong],
  [7, exchanged],
  [4, moved],
  [5, rotated],
  [4, otherBlock],
  [3, outOfNut],
  [6, nowAndThen([broken, loose, joint, contactOpen])],
  [6, broken],
  [6, loose],
  [5, trippedOrOff],
  [8, listedMode],
];

/** A fault drawn; `null` where the circuit has nothing of the kind that was drawn. */
export function drawn(circuit: Circuit, random: Random): Truth | null {
  let left = random() * MAKERS.reduce((sum, [share]) => sum + share, 0);
  return MAKERS.find(([share]) => (left -= share) < 0)![1](circuit, random);
}
