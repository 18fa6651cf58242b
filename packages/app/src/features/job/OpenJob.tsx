import { router } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { createContext, useContext, useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { View } from 'react-native';
import { useAppSelector, useAppStore } from '../../store';
import type { OpenedJob } from '../jobs/api';
import { problemOf } from '../../store/api';
import { useOpenJobQuery } from '../jobs/api';
import { useHoldJob } from '../hold/useHoldJob';
import { useAwake } from './useAwake';
import { leaveEarly, putOnBench, takeEarly } from './open';
import { startJobs } from './start';
import { opened } from '../circuit/slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Waiting, AppText } from '../../basics';

/** Puts the job on the bench once it is read; `true` when it is there. */
function useLoadJob(id: string, fresh: OpenedJob | undefined, early: Promise<void> | null): boolean {
  const store = useAppStore();
  const ready = useAppSelector(({ saving }) => saving?.jobId === id);
  // What an earlier visit left is read while the job is.
  useEffect(() => void startJobs(store), [store]);
  useEffect(() => {
    if (!fresh || ready) return;
    let wanted = true;
    const load = async () => {
      await early;
      if (wanted && store.getState().saving?.jobId !== id) await putOnBench(store, id, fresh, () => wanted);
    };
    void load();
    return () => {
      wanted = false;
    };
  }, [store, id, fresh, ready, early]);
  useEffect(
    () => () => {
      leaveEarly(store);
      // Read anew the next time, unless an edit is still on its way.
      if (store.getState().saving?.state === 'saved') store.dispatch(opened({ jobId: null, base: 0 }));
    },
    [store, id],
  );
  return ready;
}

interface Opened {
  job: OpenedJob;
  /** As it stands on the bench, edits included. */
  circuit: Circuit;
}

const OpenedContext = createContext<Opened | null>(null);

/** The job that is open, for the places inside it. */
export function useOpenedJob(): Opened {
  const opened = useContext(OpenedContext);
  if (!opened) throw new Error('useOpenedJob is for the places of an open job');
  return opened;
}

const NEVER_HERE =
  'There is no answer from the server, and this job was never opened on this device. Open it once with signal: after that it opens without.';

/** Opens a job for the places inside it: loading, missing, or live. */
export function OpenJob({ id, children }: PropsWithChildren<{ id: string }>) {
  const t = useTokens();
  const store = useAppStore();
  const [early] = useState(() => takeEarly(store, id));
  const {
    data: job,
    error,
    isFetching,
    refetch,
  } = useOpenJobQuery(id, { refetchOnMountOrArgChange: early === null });
  const ready = useLoadJob(id, isFetching ? undefined : job, early);
  const circuit = useAppSelector(({ edits }) => edits?.present.circuit);
  useAwake();
  useHoldJob(id, ready ? job?.siteId : undefined);
  const opened = useMemo(() => (job && ready && circuit ? { job, circuit } : null), [job, ready, circuit]);
  // The job is there at once, and its place is drawn a little at a time.
  const isDue = useDeferredValue(opened !== null);
  if (opened && isDue) return <OpenedContext.Provider value={opened}>{children}</OpenedContext.Provider>;
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      {error ? (
        <>
          <AppText kind="title" heading={1}>
            {problemOf(error).status === 404 ? 'No such job' : 'This job cannot be opened now'}
          </AppText>
          <AppText>{problemOf(error).status === 0 ? NEVER_HERE : problemOf(error).detail}</AppText>
          <ActionButton label="Try again" onPress={() => void refetch()} />
          <ActionButton label="All jobs" look="filled" onPress={() => router.dismissTo('/')} />
        </>
      ) : (
        <Waiting label="Opening the job" />
      )}
    </View>
  );
}

const styles = sheet({
  page: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: 14, padding: 24 },
});
