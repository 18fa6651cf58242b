import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { ActivityIndicator, Snackbar } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job } from '../../store/api';
import { told } from '../../store/trace';
import { REDO, UNDO } from '../../store/work';
import { useTokens, useWide } from '../../theme';
import { Act, Words } from '../basics';
import { PlacesBar } from '../places/PlacesBar';
import { SaveState } from '../trace/SaveState';
import { AsFound } from './AsFound';
import { Identify } from './Identify';
import { Labels } from './Labels';
import { Photos } from './Photos';
import { useOpenSurvey } from './useSurvey';

const STEPS = { identify: 'Identify', found: 'As found', labels: 'Labels', photos: 'Photos' } as const;
type Step = keyof typeof STEPS;

/** What is here, and how was it wired: identify, record, read the labels, photograph. */
export function SurveyPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const t = useTokens();
  const wide = useWide();
  const dispatch = useAppDispatch();
  const ready = useOpenSurvey(job.id);
  const message = useAppSelector(({ trace }) => trace.message);
  const waiting = useAppSelector(({ survey }) => survey.state === 'waiting');
  const canUndo = useAppSelector(({ edits }) => edits.past.length > 0);
  const canRedo = useAppSelector(({ edits }) => edits.future.length > 0);
  const [chosen, setStep] = useState<Step | null>(null);
  const step = chosen ?? (circuit.devices.length === 0 ? 'identify' : 'found');
  const body = {
    identify: <Identify circuit={circuit} onTaken={() => setStep('found')} />,
    found: <AsFound circuit={circuit} />,
    labels: <Labels circuit={circuit} />,
    photos: <Photos jobId={job.id} circuit={circuit} />,
  };
  return (
    <View style={[styles.page, wide ? styles.wide : null, { backgroundColor: t.paper }]}>
      {wide ? <PlacesBar jobId={job.id} here="survey" /> : null}
      <View style={styles.work} role="main">
        <View style={styles.head}>
          <Act
            label="Jobs"
            hint="Back to jobs"
            icon="back"
            look="plain"
            iconOnly
            onPress={() => router.dismissTo('/')}
          />
          <View style={styles.titles}>
            <Words kind="title" heading={1} lines={1}>
              {job.site}
            </Words>
            <Words kind="small" lines={1}>
              {job.name}
            </Words>
          </View>
          <Act
            label="Undo"
            icon="undo"
            look="plain"
            iconOnly
            disabled={!canUndo}
            onPress={() => dispatch({ type: UNDO })}
          />
          <Act
            label="Redo"
            icon="redo"
            look="plain"
            iconOnly
            disabled={!canRedo}
            onPress={() => dispatch({ type: REDO })}
          />
        </View>
        <View style={styles.tabs} role="group" aria-label="Survey">
          {(Object.keys(STEPS) as Step[]).map((name) => (
            <Act
              key={name}
              label={STEPS[name]}
              pressed={name === step}
              onPress={() => setStep(name)}
              style={styles.tab}
            />
          ))}
        </View>
        <SaveState jobId={job.id} />
        {waiting ? (
          <View role="alert" style={styles.note}>
            <Words color={t.amber}>Survey not saved yet: the server does not answer. It is kept here.</Words>
          </View>
        ) : null}
        {ready ? (
          <ScrollView style={styles.grow} contentContainerStyle={styles.column}>
            {body[step]}
          </ScrollView>
        ) : (
          <ActivityIndicator accessibilityLabel="Opening the survey" style={styles.grow} />
        )}
      </View>
      {wide ? null : <PlacesBar jobId={job.id} here="survey" />}
      <Snackbar visible={message !== null} onDismiss={() => dispatch(told(null))} duration={2500}>
        {message ?? ''}
      </Snackbar>
    </View>
  );
}

export default SurveyPlace;

const styles = StyleSheet.create({
  page: { flex: 1 },
  wide: { flexDirection: 'row' },
  work: { flex: 1 },
  head: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: 2, minHeight: 56 },
  titles: { flex: 1 },
  tabs: { flexDirection: 'row', gap: 6, paddingHorizontal: 12, paddingVertical: 6 },
  tab: { flex: 1, paddingHorizontal: 4 },
  note: { paddingHorizontal: 14 },
  grow: { flex: 1 },
  column: { padding: 12, gap: 12, width: '100%', maxWidth: 760, alignSelf: 'center' },
});
