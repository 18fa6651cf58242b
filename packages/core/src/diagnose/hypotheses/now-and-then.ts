/** What comes and goes: a joint that lets go when it warms, a strand that touches when the blower shakes it. */
import type { Failure, Hypothesis } from './hypothesis';
import { foundAs } from './hypothesis';

/** How often it comes and goes where it could as well stay; judgement. */
const COMES_AND_GOES = 0.1;

/** The same now and then; `null` of what does not come and go. */
function nowAndThen(failure: Failure): Failure | null {
  switch (failure.type) {
    case 'broken':
    case 'loose':
    case 'poor-joint':
      return { ...failure, nowAndThen: true };
    case 'element':
      return failure.fault === 'stays-open' ? { ...failure, nowAndThen: true } : null;
    default:
      return null;
  }
}

/** Conductors, joints and contacts as they are among these, now and then. */
export const comingAndGoing = (hypotheses: readonly Hypothesis[]): Hypothesis[] =>
  hypotheses.flatMap((one) => {
    const failure = nowAndThen(one.failure);
    if (!failure) return [];
    const id = `${one.id} now and then`;
    return [{ ...one, id, failure, weight: COMES_AND_GOES * one.weight, asFound: foundAs(one) }];
  });
