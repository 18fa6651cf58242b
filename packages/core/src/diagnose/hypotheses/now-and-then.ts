/** What comes and goes: a joint that lets go when it warms, a strand that touches when the blower shakes it. */
import type { Failure, Hypothesis } from './hypothesis';
import { foundAs } from './hypothesis';

/** How often it comes and goes where it could as well stay; judgement. */
const COMES_AND_GOES = 0.1;

const CAN: ReadonlySet<Failure['type']> = new Set(['broken', 'loose', 'poor-joint']);

const canComeAndGo = ({ failure }: Hypothesis): boolean =>
  CAN.has(failure.type) || (failure.type === 'element' && failure.fault === 'stays-open');

/** Conductors, joints and contacts as they are among these, now and then. */
export const comingAndGoing = (hypotheses: readonly Hypothesis[]): Hypothesis[] =>
  hypotheses.filter(canComeAndGo).map((one) => ({
    ...one,
    id: `${one.id} now and then`,
    weight: COMES_AND_GOES * one.weight,
    comesAndGoes: true,
    asFound: foundAs(one),
  }));
