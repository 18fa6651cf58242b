import { useEffect, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../store';
import { goTo } from '../job/address';
import { labelsOf } from '../job/useLeave';
import { LeaveSheet } from './LeaveSheet';
import { jobEntered, jobLeft, watchAnswered } from './slice';
import { useRecord } from './useRecord';

/** Notices by whatever way a job is left while a safety is bypassed that nobody has taken over: back, a link, the page closed. */
export function WatchLeaving({ jobId }: { jobId: string }) {
  const dispatch = useAppDispatch();
  const { standing } = useRecord(jobId);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const bypasses = standing.bypasses.filter(({ state }) => state === 'in');
  const labels = labelsOf(bypasses, circuit);
  const now = useRef({ bypasses, labels });
  useEffect(() => {
    now.current = { bypasses, labels };
  });
  useEffect(() => {
    // A place that is on its way out is made once more for a moment: that is no coming back.
    if (window.location.pathname.startsWith(`/job/${encodeURIComponent(jobId)}`)) dispatch(jobEntered(jobId));
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

/** The step back that left the job has its own last stirrings in the browser's history, which would close what is shown over it, ms. */
const SETTLED_MS = 400;

/** Asks who watches, of a job that was left with a safety bypassed; whoever answers nothing is taken back to it. */
export function LeftBehind() {
  const dispatch = useAppDispatch();
  const left = useAppSelector(({ record }) => record?.left ?? null);
  const [asked, setAsked] = useState<string | null>(null);
  const jobId = left?.jobId ?? null;
  useEffect(() => {
    const timer = setTimeout(() => setAsked(jobId), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [jobId]);
  if (!left || asked !== left.jobId) return null;
  return (
    <LeaveSheet
      jobId={left.jobId}
      left={left.bypasses}
      labels={left.labels}
      onLeave={() => dispatch(watchAnswered(left.jobId))}
      onClose={() => goTo(left.jobId, 'record', 'open')}
    />
  );
}
