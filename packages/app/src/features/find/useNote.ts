import { useCallback } from 'react';
import { useAppDispatch } from '../../store';
import { told } from '../../store/notice';
import { changeKey, changesOutbox } from '../jobs/outbox';

/** Adds a dated line to the notes of a job; without an answer it is kept and sent later. The oldest lines give way. */
export function useNote(jobId: string) {
  const dispatch = useAppDispatch();
  return useCallback(
    async (line: string) => {
      const change = { id: jobId, change: { addNote: `${new Date().toISOString().slice(0, 10)} ${line}` } };
      const done = await dispatch(changesOutbox.deliver(changeKey(change), change));
      if (done.type === 'taken') dispatch(told('Logged in the notes of the job'));
      if (done.type === 'refused') dispatch(told(done.detail));
    },
    [dispatch, jobId],
  );
}
