import { router } from 'expo-router';
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator } from 'react-native-paper';
import { useAppDispatch, useAppSelector } from '../../store';
import type { OpenedJob } from '../../store/api';
import { problemOf, useOpenJobQuery } from '../../store/api';
import { benchOpened } from '../../store/bench';
import { keptBench, keptDraft } from '../../store/kept';
import { saveRequested } from '../../store/saving';
import { traceOpened } from '../../store/trace';
import { opened, takeUp } from '../../store/work';
import { useTokens } from '../../theme';
import { Act, Words } from '../basics';
import { Trace } from '../trace/Trace';

/** Puts an opened job on the bench, with any edit of it the server has not had yet. */
function useLoadJob(job: OpenedJob | undefined): boolean {
  const dispatch = useAppDispatch();
  const ready = useAppSelector(({ saving }) => job !== undefined && saving.jobId === job.id);
  useEffect(() => {
    if (!job || ready) return;
    const draft = keptDraft(job.id);
    dispatch(traceOpened());
    dispatch(benchOpened(keptBench(job.id) ?? {}));
    dispatch(takeUp(draft?.circuit ?? job.circuit));
    dispatch(opened({ jobId: job.id, base: draft?.base ?? job.revision }));
    if (!draft) return;
    // Saved on top of what it was made on: the server says if another tab was first.
    dispatch(saveRequested);
  }, [dispatch, job, ready]);
  return ready;
}

/** A job by its id: loading, missing, or live. */
export function OpenJob({ id }: { id: string }) {
  const t = useTokens();
  const { data: job, error, refetch } = useOpenJobQuery(id, { refetchOnMountOrArgChange: true });
  const ready = useLoadJob(job);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  if (job && ready && circuit)
    return <Trace jobId={job.id} title={job.site} subtitle={job.name} notes={job.notes} circuit={circuit} />;
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      {error ? (
        <>
          <Words kind="title" heading={1}>
            {problemOf(error).status === 404 ? 'No such job' : 'This job cannot be opened now'}
          </Words>
          <Words>{problemOf(error).detail}</Words>
          <Act label="Try again" onPress={() => void refetch()} />
          <Act label="All jobs" look="filled" onPress={() => router.replace('/')} />
        </>
      ) : (
        <ActivityIndicator accessibilityLabel="Opening the job" />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: 14, padding: 24 },
});
