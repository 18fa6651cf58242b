/** Everything that may be wrong with a circuit, one thing at a time. */
import type { Circuit } from '../../circuit';
import { findConductor, splitTerminal } from '../../circuit';
import { addedHypotheses } from './added';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';
import { comingAndGoing } from './now-and-then';
import { partHypotheses } from './parts';
import { targetsOf } from './targets';
import { unlistedHypotheses } from './unlisted';
import { wiringHypotheses } from './wiring';

export { comesAndGoes, foundAs, remedyKey, singlesOf } from './hypothesis';
export type { Failure, Hypothesis, Remedy } from './hypothesis';
export { rarerHypotheses } from './rarer';
export { testedModes } from './parts';
export { targetsOf } from './targets';
export { isListed, otherwiseAt } from './unlisted';
export type { Target } from './targets';

/** How often it is the equipment, or a person who did not wait, against one conductor broken; judgement. */
const NOTHING_WRONG = 6;
const WAITING = 4;

/** Landings nobody has looked at are customary, not certain: so many times likelier to be otherwise; judgement. */
const UNSEEN = 6;

export interface Known {
  /** Whether what is landed at a device was looked at and is as recorded; all of it when left out. */
  isSeen?(device: string): boolean;
}

/** What a look at a block would have settled. */
function isOfLandings({ failure: { type } }: Hypothesis): boolean {
  return (
    type === 'landing' ||
    type === 'no-jumper' ||
    type === 'jumper-left' ||
    type === 'setting' ||
    type === 'otherwise'
  );
}

/** Blocks that would have to be looked at to know of a failure. */
const blocksOf = (circuit: Circuit, { failure }: Hypothesis): string[] =>
  targetsOf(circuit, failure).flatMap(({ type, id }) => {
    if (type === 'device') return [id];
    const { from, to } = findConductor(circuit, id)!;
    return [from, to].flatMap((end) => (end === null ? [] : [splitTerminal(end).deviceId]));
  });

/**
 * The hypotheses of a circuit as it is recorded, that nothing is wrong with its controls first. They follow from the
 * traits and fault modes of its devices, never from the names of their kinds.
 *
 * @example
 * const hypotheses = hypothesesOf(furnaceAirConditioner('Bakery'));
 * const dictionary = makeDictionary(circuit, hypotheses);
 */
export function hypothesesOf(circuit: Circuit, { isSeen = () => true }: Known = {}): Hypothesis[] {
  const lasting = [...partHypotheses(circuit), ...wiringHypotheses(circuit)];
  const all = [
    hypothesis({ id: 'none', failure: { type: 'none' }, remedy: { type: 'none' }, weight: NOTHING_WRONG }),
    hypothesis({
      id: 'waiting',
      failure: { type: 'waiting' },
      remedy: { type: 'wait' },
      weight: WAITING,
      early: true,
    }),
    ...lasting,
    ...comingAndGoing(lasting),
    ...addedHypotheses(circuit),
    ...unlistedHypotheses(circuit),
  ];
  return all.map((one) =>
    isOfLandings(one) && blocksOf(circuit, one).some((device) => !isSeen(device))
      ? { ...one, weight: one.weight * UNSEEN }
      : one,
  );
}
