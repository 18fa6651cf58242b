import { router } from 'expo-router';
import type { ReactNode } from 'react';
import { useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Bypass } from '@zygostat/core/record';
import { useAppDispatch, useAppSelector } from '../../store';
import { LeaveSheet } from '../record/LeaveSheet';
import { watchAnswered } from '../record/slice';
import { useRecord } from '../record/useRecord';

/** What bypassed safeties are called. */
export const labelsOf = (bypasses: readonly Bypass[], circuit: Circuit | null) =>
  bypasses.map(({ device }) => circuit?.devices.find(({ id }) => id === device)?.label ?? device).join(', ');

const toJobs = () => router.dismissTo('/');

/** Leaves a job, for the list unless told; with a safety bypassed that nobody has taken over, who watches is asked first. */
export function useLeave(jobId: string, to: () => void = toJobs): { leave: () => void; question: ReactNode } {
  const dispatch = useAppDispatch();
  const { standing } = useRecord(jobId);
  const [asking, setAsking] = useState(false);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const left = standing.bypasses.filter(({ state }) => state === 'in');
  const leave = () => {
    dispatch(watchAnswered(jobId));
    to();
  };
  return {
    leave: () => (left.length > 0 ? setAsking(true) : to()),
    question: asking ? (
      <LeaveSheet
        jobId={jobId}
        left={left}
        labels={labelsOf(left, circuit)}
        onLeave={leave}
        onClose={() => setAsking(false)}
      />
    ) : null,
  };
}
