import { nanoid } from '@reduxjs/toolkit';
import { skipToken } from '@reduxjs/toolkit/query';
import { useCallback, useMemo } from 'react';
import type { Body, Entry, Standing } from '@zygostat/core/record';
import { bypassesStillIn, standingOf } from '@zygostat/core/record';
import { useKept } from '../../documents/slice';
import { useAppDispatch, useAppSelector } from '../../store';
import { told } from '../../store/notice';
import { useListRecordQuery } from './api';
import { recordOutbox, writtenOf } from './outbox';
import { useWriterName } from './writer-name';

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
  const waiting = useKept();
  return useMemo(() => {
    const known = new Set(data.map(({ id }) => id));
    const own = waiting.flatMap(({ name, value, isSent }) => {
      const written = name === recordOutbox.name ? writtenOf(value) : undefined;
      return written?.jobId === jobId && !known.has(written.entry.id) ? [{ ...written, isSent }] : [];
    });
    const entries = [...data, ...own.map(({ entry }) => entry)];
    const unsent = own.filter(({ isSent }) => !isSent).length;
    return { entries, standing: standingOf(entries), unsent, isLoading };
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
  const by = useWriterName();
  return useCallback(
    async (body: Body): Promise<boolean> => {
      const entry: Entry = { id: nanoid(), at: new Date().toISOString(), by: by || 'Somebody', body };
      const done = await dispatch(recordOutbox.deliver(entry.id, { jobId, entry }));
      if (done.type !== 'refused') return true;
      dispatch(told(done.detail));
      return false;
    },
    [by, dispatch, jobId],
  );
}
