import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import type { SwapOption, SwapRequest } from '@zygostat/core/plan';
import type { Plan } from '@zygostat/core/wire';
import type { RootState, Store } from '../../store';
import { planDocument } from './document';

/** What is kept of a way that is taken. */
export const planOf = (
  { title, circuit, id, landings, setUp, jumpers }: SwapOption,
  wish: SwapRequest,
): Pick<Plan, 'title' | 'after' | 'swap' | 'reasons'> => ({
  title: `New thermostat: ${title.charAt(0).toLowerCase()}${title.slice(1)}`,
  after: circuit,
  swap: { ...wish, way: id },
  reasons: Object.fromEntries([
    ...landings.flatMap(({ conductor, reason }) => (reason ? [[conductor, reason]] : [])),
    ...setUp.map(({ name, reason }) => [`set:${name}`, reason]),
    ...jumpers.map((jumper) => [`link:${jumper.id}`, jumper.reason]),
  ]),
});

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
