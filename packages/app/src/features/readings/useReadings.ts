/** Readings of a job: what the server has, and what waits here; the newest first. */
import { useMemo } from 'react';
import { UNIT_OF_MODE, judge } from '@zygostat/core/behaviour';
import { useKept } from '../../documents/slice';
import type { LoggedReading, NewReading } from './api';
import { useListReadingsQuery } from './api';
import { readingOf, readingsOutbox } from './outbox';

const NONE: readonly LoggedReading[] = [];

/** As the server will judge it: `null` is an open loop. */
function logged(reading: NewReading, since: number): LoggedReading {
  const unit = UNIT_OF_MODE[reading.mode];
  const { actual, expected } = reading;
  const verdict = judge(actual ?? Infinity, expected ?? Infinity, unit);
  return { ...reading, unit, verdict, by: '', createdAt: new Date(since).toISOString() };
}

export function useReadings(jobId: string) {
  const { data, isLoading, error, refetch } = useListReadingsQuery(jobId);
  const kept = useKept();
  const readings = useMemo(() => {
    const known = new Set(data?.map(({ id }) => id));
    const own = kept.flatMap(({ name, value, since }) => {
      const waiting = name === readingsOutbox.name ? readingOf(value) : undefined;
      return waiting?.jobId === jobId && !known.has(waiting.reading.id)
        ? [logged(waiting.reading, since)]
        : [];
    });
    return own.length > 0 ? [...own.reverse(), ...(data ?? NONE)] : (data ?? NONE);
  }, [data, kept, jobId]);
  return { readings, isLoading, error: data || readings.length > 0 ? undefined : error, refetch };
}
