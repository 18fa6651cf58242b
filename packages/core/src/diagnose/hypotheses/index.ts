/** Everything that may be wrong with a circuit, one thing at a time. */
import type { Circuit } from '../../circuit';
import { addedHypotheses } from './added';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';
import { partHypotheses } from './parts';
import { wiringHypotheses } from './wiring';

export { remedyKey } from './hypothesis';
export type { Failure, Hypothesis, Remedy } from './hypothesis';

/** How often it is the equipment, or a person who did not wait, against one conductor broken; judgement. */
const NOTHING_WRONG = 6;
const WAITING = 4;

/**
 * The hypotheses of a circuit as it is recorded, that nothing is wrong with its controls first. They follow from the
 * traits and fault modes of its devices, never from the names of their kinds.
 *
 * @example
 * const hypotheses = hypothesesOf(furnaceAirConditioner('Bakery'));
 * const dictionary = makeDictionary(circuit, hypotheses);
 */
export const hypothesesOf = (circuit: Circuit): Hypothesis[] => [
  hypothesis({ id: 'none', failure: { type: 'none' }, remedy: { type: 'none' }, weight: NOTHING_WRONG }),
  hypothesis({
    id: 'waiting',
    failure: { type: 'waiting' },
    remedy: { type: 'wait' },
    weight: WAITING,
    early: true,
  }),
  ...partHypotheses(circuit),
  ...wiringHypotheses(circuit),
  ...addedHypotheses(circuit),
];
