import { router } from 'expo-router';
import type { ReactNode } from 'react';
import { useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Bypass } from '@zygostat/core/record';
import { useAppSelector } from '../../store';
import { LeaveSheet } from '../record/LeaveSheet';
import { useRecord } from '../record/useRecord';

/** What bypassed safeties are called. */
export const labelsOf = (bypasses: readonly Bypass[], circuit: Circuit | null) =>
  bypasses.map(({ device }) => circuit?.devices.find(({ id }) => id === device)?.label ?? device).join(', ');

const toJobs = () => router.dismissTo('/');

/** Leaves a job for the list; with a safety bypassed that nobody has taken over, who watches is asked first. */
export function useLeave(jobId: string): { leave: () => void; question: ReactNode } {
  const { standing } = useRecord(jobId);
  const [asking, setAsking] = useState(false);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const left = standing.bypasses.filter(({ state }) => state === 'in');
  return {
    leave: () => (left.length > 0 ? setAsking(true) : toJobs()),
    question: asking ? (
      <LeaveSheet
        jobId={jobId}
        left={left}
        labels={labelsOf(left, circuit)}
        onLeave={toJobs}
        onClose={() => setAsking(false)}
      />
    ) : null,
  };
}
