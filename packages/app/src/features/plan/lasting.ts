/** What was chosen and answered in a place stays there while the page is open: who comes back finds it as it was left. */
import { useCallback, useState } from 'react';
import { useAppSelector, useAppStore } from '../../store';

const lasting = () => new Map<unknown, unknown>();

/** What is kept in this page, by whatever names it. */
export const useKept = (): Map<unknown, unknown> => useAppStore().own(lasting);

/** A state that outlives what shows it, for the job that is open. */
export function useLasting<T>(name: string, initial: () => T): [T, (value: T) => void] {
  const all = useKept();
  const jobId = useAppSelector(({ saving }) => saving.jobId);
  const key = `${jobId} ${name}`;
  const [value, setValue] = useState(() => (all.has(key) ? (all.get(key) as T) : initial()));
  const choose = useCallback(
    (chosen: T) => {
      all.set(key, chosen);
      setValue(() => chosen);
    },
    [all, key],
  );
  return [value, choose];
}
