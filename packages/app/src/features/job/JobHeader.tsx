import { router } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { useEffect } from 'react';
import { View } from 'react-native';
import { bypassesStillIn } from '@zygostat/core/record';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { REDO, UNDO } from '../circuit/slice';
import { Elsewhere } from './Elsewhere';
import { HeadBanner } from './HeadBanner';
import { goTo } from './address';
import { labelsOf, useLeave } from './useLeave';
import { usePractice } from '../find/practice';
import { CarryAir } from '../link/CarryAir';
import { Present } from '../live/Present';
import { Outstanding } from '../outbox/Outstanding';
import { OnTest } from '../panel/OnTest';
import { bypassedKnown } from '../record/slice';
import { useRecord } from '../record/useRecord';
import { FONTS, sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { ActionButton, AppText, Tap } from '../../basics';

/** The way back to the jobs. */
function BackToJobs({ jobId }: { jobId: string }) {
  const { leave, question } = useLeave(jobId);
  return (
    <>
      <ActionButton label="Jobs" hint="Back to jobs" icon="back" look="plain" iconOnly onPress={leave} />
      {question}
    </>
  );
}

/** What job it is, and the way to its site. */
function ToSite({ job }: { job: Job }) {
  const t = useTokens();
  // In its place, not over it: only one job is ever open.
  const toSite = () => router.dismissTo({ pathname: '/site/[id]', params: { id: job.siteId } });
  const { leave, question } = useLeave(job.id, toSite);
  return (
    <>
      <Tap
        role="link"
        aria-label={`${job.site}, ${job.name}: to the site`}
        onPress={leave}
        style={styles.titles}
      >
        <View style={styles.site}>
          <AppText kind="title" heading={1} lines={1} style={styles.name}>
            {job.site}
          </AppText>
          <Icon name="chevron-right" size={20} color={t.mute} />
        </View>
        <AppText kind="small" lines={1}>
          {job.name}
        </AppText>
      </Tap>
      {question}
    </>
  );
}

/** Lets the model know what is bypassed: what it computes is of the circuit with it. */
function useBypassedKnown(devices: readonly string[]): void {
  const dispatch = useAppDispatch();
  const known = devices.join();
  useEffect(() => {
    dispatch(bypassedKnown(known === '' ? [] : known.split(',')));
    return () => void dispatch(bypassedKnown([]));
  }, [dispatch, known]);
}

/** A safety of this job that is bypassed: seen from every place, until it is out. */
function HeldOpen({ jobId }: { jobId: string }) {
  const t = useTokens();
  const { standing } = useRecord(jobId);
  const still = bypassesStillIn(standing);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  useBypassedKnown(still.map(({ device }) => device));
  if (still.length === 0) return null;
  return (
    <HeadBanner
      onPress={() => goTo(jobId, 'record', 'open')}
      icon="alert"
      words={`Bypassed: ${labelsOf(still, circuit)}`}
      ink={t.red}
      fill={t.redSoft}
    />
  );
}

/** A practice is marked on every place: what it shows is nothing of the job. */
function PracticeOn({ jobId }: { jobId: string }) {
  const t = useTokens();
  if (!usePractice(jobId)) return null;
  return (
    <HeadBanner
      onPress={() => goTo(jobId, 'trace', 'find')}
      icon="alert"
      words="Practice: the fault and the readings are invented. Nothing is saved to this job."
      ink={t.amber}
      fill={t.amberSoft}
    />
  );
}

/** The head of every place of a job: back, what job it is, undo and redo; and what is bypassed. */
export function JobHeader({ job, children }: PropsWithChildren<{ job: Job }>) {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector(({ edits }) => edits.past.length > 0);
  const canRedo = useAppSelector(({ edits }) => edits.future.length > 0);
  return (
    <>
      <View style={styles.header}>
        <BackToJobs jobId={job.id} />
        <ToSite job={job} />
        <Present jobId={job.id} />
        <ActionButton
          label="Undo"
          icon="undo"
          look="plain"
          iconOnly
          disabled={!canUndo}
          onPress={() => dispatch({ type: UNDO })}
        />
        <ActionButton
          label="Redo"
          icon="redo"
          look="plain"
          iconOnly
          disabled={!canRedo}
          onPress={() => dispatch({ type: REDO })}
        />
        {children}
      </View>
      <Outstanding jobId={job.id} />
      <PracticeOn jobId={job.id} />
      <HeldOpen jobId={job.id} />
      <Elsewhere job={job} />
      <OnTest job={job} />
      <CarryAir job={job} />
    </>
  );
}

const styles = sheet({
  header: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    paddingHorizontal: 2,
    paddingTop: 4,
    minHeight: 48,
  },
  titles: { flex: 1 },
  site: { flexDirection: 'row', alignItems: 'center' },
  // Beside three buttons on a telephone: most names of sites are whole this way.
  name: { flexShrink: 1, fontFamily: FONTS.condensed },
});
