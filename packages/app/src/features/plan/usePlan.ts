import { useAppStore } from '../../store';
import { nanoid } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { SwapOption, SwapRequest } from '@zygostat/core/plan';
import type { Plan } from '@zygostat/core/wire';
import { PLAN_VERSION } from '@zygostat/core/wire';
import { jumperReasonText, landingReasonText, methodTitle, setUpReasonText } from '@zygostat/core/words';
import type { RootState } from '../../store';
import { planDocument } from './document';
import { progressOf } from './progress';
import { replacementAsked } from './replacing';

/** What is kept of a way that is taken: its name and reasons as the person read them. */
export const planOf = (
  option: SwapOption,
  wish: SwapRequest,
): Pick<Plan, 'title' | 'after' | 'swap' | 'reasons'> => {
  const title = methodTitle(option.method);
  const landings = option.landings.map(({ conductor, reason }) => [conductor, landingReasonText(reason)]);
  return {
    title: `New thermostat: ${title.charAt(0).toLowerCase()}${title.slice(1)}`,
    after: option.circuit,
    swap: { ...wish, way: option.method.id },
    reasons: Object.fromEntries([
      ...landings.filter(([, text]) => text),
      ...option.setUp.map(({ name, reason }) => [`set:${name}`, setUpReasonText(reason)]),
      ...option.jumpers.map(({ id, reason }) => [`link:${id}`, jumperReasonText(reason)]),
    ]),
  };
};

type Taken = Pick<Plan, 'title' | 'after' | 'swap' | 'reasons'>;

/**
 * Takes a change as the plan: what the circuit is now, what it shall be. Where a list is there that somebody has begun to work down,
 * whether it is to go is asked first (`Replacing`).
 */
export function useTakePlan() {
  const store = useAppStore();
  return useCallback(
    (taken: Taken) => {
      const state = store.getState() as RootState;
      const before = state.edits.present.circuit as Circuit;
      const plan: Plan = { version: PLAN_VERSION, id: nanoid(), before, events: [], ...taken };
      const held = state.plan.value;
      const isBegun = held?.events.some(({ type }) => type === 'ticked') && progressOf(held).isUnfinished;
      store.dispatch(isBegun ? replacementAsked(plan) : planDocument.changed(plan));
    },
    [store],
  );
}
