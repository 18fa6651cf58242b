import { useCallback } from 'react';
import { useAppDispatch } from '../../store';
import { problemOf } from '../../store/api';
import { told } from '../../store/notice';
import { useChangeJobMutation, useOpenJobQuery } from '../jobs/api';
import { changesOutbox } from '../jobs/outbox';

const LONGEST_NOTES = 2000;

/** Adds a dated line to the notes of a job; without an answer it is kept and sent later. The oldest lines give way. */
export function useNote(jobId: string) {
  const dispatch = useAppDispatch();
  const { data } = useOpenJobQuery(jobId);
  const [changeJob] = useChangeJobMutation();
  return useCallback(
    async (line: string) => {
      const dated = `${new Date().toISOString().slice(0, 10)} ${line}`;
      const notes = [data?.notes ?? '', dated].filter(Boolean).join('\n').slice(-LONGEST_NOTES).trim();
      const change = { id: jobId, change: { notes } };
      const { error } = await changeJob(change);
      if (!error) return void dispatch(told('Logged in the notes of the job'));
      if (problemOf(error).status !== 0) return void dispatch(told(problemOf(error).detail));
      await dispatch(changesOutbox.post(jobId, change));
      dispatch(told('No answer: the note is kept here and sent when there is'));
    },
    [changeJob, data?.notes, dispatch, jobId],
  );
}
