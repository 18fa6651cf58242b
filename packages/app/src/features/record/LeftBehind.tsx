import { useEffect, useRef } from 'react';
import { useAppDispatch, useAppSelector } from '../../store';
import { LeaveSheet } from './LeaveSheet';
import { jobEntered, jobLeft, watchAnswered } from './slice';
import { useRecord } from './useRecord';

/** Notices by whatever way a job is left while a safety is bypassed that nobody has taken over: back, a link, the page closed. */
export function WatchLeaving({ jobId }: { jobId: string }) {
  const dispatch = useAppDispatch();
  const { standing } = useRecord(jobId);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const bypasses = standing.bypasses.filter(({ state }) => state === 'in');
  const labels = bypasses
    .map(({ device }) => circuit?.devices.find(({ id }) => id === device)?.label ?? device)
    .join(', ');
  const now = useRef({ bypasses, labels });
  useEffect(() => {
    now.current = { bypasses, labels };
  });
  useEffect(() => {
    dispatch(jobEntered(jobId));
    const hold = (event: BeforeUnloadEvent) => {
      if (now.current.bypasses.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', hold);
    return () => {
      window.removeEventListener('beforeunload', hold);
      if (now.current.bypasses.length > 0) dispatch(jobLeft({ jobId, ...now.current }));
    };
  }, [dispatch, jobId]);
  return null;
}

/** Asks who watches, of a job that was left with a safety bypassed. */
export function LeftBehind() {
  const dispatch = useAppDispatch();
  const left = useAppSelector(({ record }) => record?.left ?? null);
  if (!left) return null;
  const { jobId, bypasses, labels } = left;
  const done = () => dispatch(watchAnswered(jobId));
  return <LeaveSheet jobId={jobId} left={bypasses} labels={labels} onLeave={done} onClose={done} />;
}
