import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import type { SwapOption, SwapRequest } from '@zygostat/core/plan';
import type { Plan } from '@zygostat/core/wire';
import { jumperReasonText, landingReasonText, methodTitle, setUpReasonText } from '@zygostat/core/words';
import type { RootState, Store } from '../../store';
import { planDocument } from './document';

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

/** Takes a change as the plan: what the circuit is now, what it shall be. */
export function useTakePlan() {
  const store = useStore() as unknown as Store;
  return useCallback(
    (taken: Pick<Plan, 'title' | 'after' | 'swap' | 'reasons'>) => {
      const before = (store.getState() as RootState).edits.present.circuit as Circuit;
      store.dispatch(planDocument.changed({ version: 1, before, done: {}, ...taken }));
    },
    [store],
  );
}
