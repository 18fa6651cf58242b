import { useCallback, useMemo } from 'react';
import { namesIn, taskText } from '@zygostat/core/words';
import type { Plan, Step } from '@zygostat/core/wire';
import { useAppSelector } from '../../store';
import type { Settings } from '../settings/slice';

/** Tells a step of a plan in the person's units. */
export function tellTask({ before, after }: Pick<Plan, 'before' | 'after'>, units: Settings) {
  const names = { before: namesIn(before), after: namesIn(after) };
  return ({ task }: Pick<Step, 'task'>): string => taskText(names, task, units);
}

export function useTaskText(plan: Pick<Plan, 'before' | 'after'>): (step: Pick<Step, 'task'>) => string {
  const settings = useAppSelector((state) => state.settings);
  const tell = useMemo(() => tellTask(plan, settings), [plan, settings]);
  return useCallback((step) => tell(step), [tell]);
}
