import type { Plan } from '@zygostat/core/wire';
import { stepsOf, ticksOf } from '@zygostat/core/wire';

/** How far a list is, by now. */
export function progressOf({ before, after, reasons, events }: Plan): {
  done: number;
  all: number;
  isUnfinished: boolean;
} {
  const steps = stepsOf(before, after, reasons);
  const { standing } = ticksOf(steps, events, new Date().toISOString());
  return { done: standing.size, all: steps.length, isUnfinished: standing.size < steps.length };
}
