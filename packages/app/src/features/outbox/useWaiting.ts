/** What waits in this browser to be sent, as far as somebody has to know of it. */
import { useMemo } from 'react';
import type { Waiting } from '@zygostat/core/sync';
import { useKept } from '../../documents/slice';

/** Waits for an answer, was refused, or is in this page alone; what is just on its way is not worth a word. */
const isOutstanding = ({ isSent, isSilent, isKept, refused }: Waiting) =>
  !isSent && (isSilent === true || !isKept || refused !== undefined);

/** All of it, or of one job; in the order it came about. */
export function useWaiting(jobId?: string): readonly Waiting[] {
  const kept = useKept();
  return useMemo(
    () => kept.filter((one) => isOutstanding(one) && (jobId === undefined || one.owner === jobId)),
    [kept, jobId],
  );
}
