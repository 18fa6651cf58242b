import { nanoid } from '@reduxjs/toolkit';
import { skipToken } from '@reduxjs/toolkit/query';
import { useCallback, useMemo } from 'react';
import type { Body, Entry, Standing } from '@zygostat/core/record';
import { bypassesStillIn, standingOf } from '@zygostat/core/record';
import { useAppDispatch, useAppSelector } from '../../store';
import { problemOf } from '../../store/api';
import { told } from '../../store/notice';
import { useAddEntryMutation, useListRecordQuery } from './api';
import { recordOutbox } from './outbox';
import { entryWaits } from './slice';

const NOTHING: readonly Entry[] = [];

/** Somebody else may write on this job: it is asked for again so often while it is looked at. */
const POLL_MS = 20_000;

/** The entries of a job, those that wait to be sent last, and how it stands from them. */
export function useRecord(jobId: string | null): {
  entries: readonly Entry[];
  standing: Standing;
  /** Entries of this device the server has not taken in yet. */
  unsent: number;
  isLoading: boolean;
} {
  const { data = NOTHING, isLoading } = useListRecordQuery(jobId ?? skipToken, { pollingInterval: POLL_MS });
  const waiting = useAppSelector(({ record }) => record.waiting);
  return useMemo(() => {
    const known = new Set(data.map(({ id }) => id));
    const own = waiting.flatMap(({ jobId: of, entry }) =>
      of === jobId && !known.has(entry.id) ? [entry] : [],
    );
    const entries = [...data, ...own];
    return { entries, standing: standingOf(entries), unsent: own.length, isLoading };
  }, [data, isLoading, jobId, waiting]);
}

/** The safeties of the open job that are bypassed, by device. */
export function useBypassed(): readonly string[] {
  const jobId = useAppSelector(({ saving }) => saving.jobId);
  const { standing } = useRecord(jobId);
  return useMemo(() => bypassesStillIn(standing).map(({ device }) => device), [standing]);
}

/** Writes an entry; without an answer it is kept here and sent later. `true` once it is taken in or kept. */
export function useWrite(jobId: string) {
  const dispatch = useAppDispatch();
  const by = useAppSelector(({ record }) => record.by);
  const [addEntry] = useAddEntryMutation();
  return useCallback(
    async (body: Body): Promise<boolean> => {
      const entry: Entry = { id: nanoid(), at: new Date().toISOString(), by: by.trim() || 'Somebody', body };
      const { error } = await addEntry({ jobId, entry });
      if (!error) return true;
      if (problemOf(error).status !== 0) {
        dispatch(told(problemOf(error).detail));
        return false;
      }
      dispatch(entryWaits({ jobId, entry }));
      await dispatch(recordOutbox.post(entry.id, { jobId, entry }));
      dispatch(told('No answer: it is kept here and sent when there is'));
      return true;
    },
    [addEntry, by, dispatch, jobId],
  );
}
