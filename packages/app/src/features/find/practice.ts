/** A practice on a job: kept in this browser, so that a page read again goes on with it, and nowhere else. */
import { useEffect } from 'react';
import { diagnosisProblems } from '@zygostat/core/diagnose';
import type { Store } from '../../store';
import { useAppDispatch, useAppSelector } from '../../store';
import { readKept, writeKept } from '../../store/storage';
import type { Practice } from './slice';
import { practised } from './slice';

const keyOf = (jobId: string) => `practice.${jobId}`;

function isPractice(given: unknown): given is Practice {
  const { jobId, meter, diagnosis } = (given ?? {}) as Partial<Practice>;
  return (
    typeof jobId === 'string' &&
    typeof meter === 'string' &&
    diagnosis != null &&
    diagnosisProblems(diagnosis).length === 0
  );
}

/** The practice of a job, if there is one; taken up again where the page was read anew. */
export function usePractice(jobId: string): Practice | null {
  const dispatch = useAppDispatch();
  const practice = useAppSelector(({ find }) => (find.practice?.jobId === jobId ? find.practice : null));
  useEffect(() => {
    const kept = readKept(keyOf(jobId));
    if (practice === null && isPractice(kept) && kept.jobId === jobId) dispatch(practised(kept));
  }, [dispatch, jobId, practice]);
  return practice;
}

/** The practice of the job that is open. */
export function practiceIn({ find, saving }: ReturnType<Store['getState']>): Practice | null {
  return find.practice?.jobId === saving.jobId ? find.practice : null;
}

/** Puts a practice where it is kept. */
export function keepPractice({ dispatch }: Pick<Store, 'dispatch'>, practice: Practice): void {
  writeKept(keyOf(practice.jobId), practice);
  dispatch(practised(practice));
}

/** Ends it: nothing is left of it. */
export function endPractice({ dispatch }: Pick<Store, 'dispatch'>, jobId: string): void {
  writeKept(keyOf(jobId), undefined);
  dispatch(practised(null));
}
