import { useCallback } from 'react';
import { useAppDispatch } from '../../store';
import { told } from '../../store/notice';
import { useOpenJobQuery } from '../jobs/api';
import { changeKey, changesOutbox } from '../jobs/outbox';

const LONGEST_NOTES = 2000;

/** Adds a dated line to the notes of a job; without an answer it is kept and sent later. The oldest lines give way. */
export function useNote(jobId: string) {
  const dispatch = useAppDispatch();
  const { data } = useOpenJobQuery(jobId);
  return useCallback(
    async (line: string) => {
      const dated = `${new Date().toISOString().slice(0, 10)} ${line}`;
      const notes = [data?.notes ?? '', dated].filter(Boolean).join('\n').slice(-LONGEST_NOTES).trim();
      const change = { id: jobId, change: { notes } };
      const done = await dispatch(changesOutbox.deliver(changeKey(change), change));
      if (done.type === 'taken') dispatch(told('Logged in the notes of the job'));
      if (done.type === 'refused') dispatch(told(done.detail));
    },
    [data?.notes, dispatch, jobId],
  );
}
