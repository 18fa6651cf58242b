import { useAppStore } from '../../store';
import { useCallback } from 'react';
import type { Observation } from '@zygostat/core/diagnose';
import { surveyDocument } from '../survey/document';

/** Puts into the survey what a look found to be as recorded: the next search need not doubt it. */
export function useSeen() {
  const store = useAppStore();
  return useCallback(
    (observed: readonly Observation[]) => {
      const { value } = store.getState().survey;
      const before = value.seen ?? [];
      const looked = observed.flatMap((one) =>
        one.type === 'look' && one.found === null && !before.includes(one.device) ? [one.device] : [],
      );
      if (looked.length > 0)
        store.dispatch(surveyDocument.changed({ ...value, seen: [...before, ...looked] }));
    },
    [store],
  );
}
