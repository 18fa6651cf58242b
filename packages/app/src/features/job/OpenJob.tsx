import { router } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { createContext, useContext, useDeferredValue, useEffect, useMemo } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import type { Store } from '../../store';
import { useAppSelector } from '../../store';
import type { OpenedJob } from '../jobs/api';
import { problemOf } from '../../store/api';
import { useOpenJobQuery } from '../jobs/api';
import { benchOpened } from '../bench/slice';
import { benchRunnerOf } from '../bench/useBenchRunner';
import { told } from '../../store/notice';
import { keptDraft } from '../../documents/sync';
import { useHoldJob } from '../hold/useHoldJob';
import { keptBench } from '../bench/kept';
import { circuitDocument, saveRequested } from '../circuit/saving';
import { keptSteps } from '../circuit/steps';
import { traceOpened } from '../trace/slice';
import { useAwake } from './useAwake';
import { startJobs } from './start';
import { opened, takeUp } from '../circuit/slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Waiting, AppText } from '../../basics';

/** Puts a freshly read job on the bench, with any edit of it the server has not had yet. */
function useLoadJob(id: string, fresh: OpenedJob | undefined): boolean {
  const store = useStore() as unknown as Store;
  const ready = useAppSelector(({ saving }) => saving?.jobId === id);
  // What an earlier visit left is read while the job is.
  useEffect(() => void startJobs(store), [store]);
  useEffect(() => {
    if (!fresh || ready) return;
    let wanted = true;
    const load = async () => {
      await startJobs(store);
      const draft = await keptDraft(circuitDocument, id);
      if (!wanted) return;
      const { dispatch } = store;
      dispatch(traceOpened());
      dispatch(told(null));
      dispatch(benchOpened(keptBench(id) ?? {}));
      const circuit = draft?.value ?? fresh.circuit;
      dispatch(takeUp(circuit, keptSteps(id, circuit)));
      dispatch(opened({ jobId: id, base: draft?.base ?? fresh.revision }));
      benchRunnerOf(store).ask();
      // Saved on top of what it was made on: the server says if another tab was first.
      if (draft) dispatch(saveRequested);
    };
    void load();
    return () => {
      wanted = false;
    };
  }, [store, id, fresh, ready]);
  useEffect(
    () => () => {
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

/** Opens a job for the places inside it: loading, missing, or live. */
export function OpenJob({ id, children }: PropsWithChildren<{ id: string }>) {
  const t = useTokens();
  const { data: job, error, isFetching, refetch } = useOpenJobQuery(id, { refetchOnMountOrArgChange: true });
  const ready = useLoadJob(id, isFetching ? undefined : job);
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
          <AppText>{problemOf(error).detail}</AppText>
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
