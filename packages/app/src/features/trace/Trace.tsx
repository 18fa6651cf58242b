import { useCallback } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Snackbar } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { useBenchRunner } from '../bench/useBenchRunner';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import type { Pane } from './slice';
import { paneChosen, sheetOpened } from './slice';
import { told } from '../../store/notice';
import { useShape, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { kindOf } from '@zygostat/core/devices';
import { AirPane } from '../air/AirPane';
import { FindPane } from '../find/FindPane';
import { LadderPane } from '../ladder/LadderPane';
import { LiveLoom } from '../loom/LiveLoom';
import { MeterBar } from '../meter/MeterBar';
import { JobHeader } from '../job/JobHeader';
import { PlacesBar } from '../job/PlacesBar';
import { TimelinePane } from '../timeline/TimelinePane';
import { CallStrip } from './CallStrip';
import { PathPane } from './PathPane';
import { ReadingsPane } from '../readings/ReadingsPane';
import { SaveState } from '../circuit/SaveState';
import { StatusLine } from './StatusLine';
import { TraceSheet } from './TraceSheet';
import { useTraceActions } from './useTraceActions';
import { useTraceKeys } from './useTraceKeys';

interface TraceProps {
  job: Job;
  circuit: Circuit;
}

const PANES: Record<Pane, string> = {
  loom: 'Loom',
  find: 'Find',
  ladder: 'Ladder',
  path: 'Path',
  time: 'Time',
  air: 'Air',
  // Short for six tabs side by side; a screen reader hears it whole.
  readings: 'Log',
};

/** On a wide screen the loom stands beside the panes. */
const WIDE_PANES: readonly Pane[] = ['path', 'find', 'ladder', 'time', 'air', 'readings'];
const PHONE_PANES: readonly Pane[] = ['loom', 'find', 'ladder', 'path', 'time', 'air', 'readings'];

/** Where nothing is probed, and whoever calls does so there. */
const NO_PROBES: ReadonlySet<Pane> = new Set(['find', 'air']);

/** The air only where something stands for the ducts or the rooms. */
const panesOf = (all: readonly Pane[], { devices }: Circuit) =>
  devices.map(({ kind }) => kindOf(kind)).some(({ conveys, houses }) => conveys ?? houses)
    ? all
    : all.filter((pane) => pane !== 'air');

function Header({ job }: { job: Job }) {
  const dispatch = useAppDispatch();
  return (
    <JobHeader job={job}>
      <ActionButton
        label="Notes, theme and files"
        icon="more"
        look="plain"
        iconOnly
        onPress={() => dispatch(sheetOpened({ type: 'menu' }))}
      />
    </JobHeader>
  );
}

function PaneTabs({ panes }: { panes: readonly Pane[] }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const pane = useAppSelector(({ trace }) => trace.pane);
  const shown = panes.includes(pane) ? pane : panes[0];
  return (
    <View style={styles.tabs} role="group" aria-label="Views">
      {panes.map((name) => (
        <Pressable
          key={name}
          role="button"
          aria-label={name === 'readings' ? 'Readings log' : PANES[name]}
          aria-pressed={name === shown}
          onPress={() => dispatch(paneChosen(name))}
          style={[styles.tab, { borderColor: name === shown ? t.copper : 'transparent' }]}
        >
          <AppText kind="strong" color={name === shown ? t.copper : t.mute}>
            {PANES[name]}
          </AppText>
        </Pressable>
      ))}
    </View>
  );
}

/** The live circuit of one job: call, watch, probe, change, log. */
export function Trace({ job, circuit }: TraceProps) {
  const t = useTokens();
  const shape = useShape();
  const wide = shape === 'wide';
  const dispatch = useAppDispatch();
  const run = useBenchRunner();
  const actions = useTraceActions();
  const skip = useCallback(() => void run('skip'), [run]);
  useTraceKeys(actions, skip);
  const pane = useAppSelector(({ trace }) => trace.pane);
  const message = useAppSelector(({ notice }) => notice);
  const loom = <LiveLoom circuit={circuit} actions={actions} />;
  const paneOf = (name: Pane) => {
    if (name === 'loom') return loom;
    if (name === 'find') return <FindPane circuit={circuit} jobId={job.id} />;
    if (name === 'path') return <PathPane circuit={circuit} onStud={actions.tapStud} />;
    if (name === 'air') return <AirPane circuit={circuit} siteId={job.siteId} />;
    if (name === 'readings') return <ReadingsPane circuit={circuit} jobId={job.id} />;
    return name === 'ladder' ? (
      <LadderPane circuit={circuit} onStud={actions.tapStud} />
    ) : (
      <TimelinePane circuit={circuit} />
    );
  };
  const shown = paneOf(wide && pane === 'loom' ? 'path' : pane);
  const header = <Header job={job} />;
  const meter = <MeterBar circuit={circuit} />;
  const calls = <CallStrip circuit={circuit} actions={actions} />;
  const status = pane === 'find' ? null : <StatusLine onSkip={skip} />;
  const phonePanes = panesOf(PHONE_PANES, circuit);
  const metered = !NO_PROBES.has(pane);
  const called = metered && pane !== 'time';
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      {wide ? (
        <View style={styles.wide}>
          <PlacesBar jobId={job.id} here="trace" />
          <View style={[styles.work, { borderColor: t.line }]}>
            {header}
            <StatusLine onSkip={skip} />
            <SaveState jobId={job.id} />
            <PaneTabs panes={panesOf(WIDE_PANES, circuit)} />
            <ScrollView style={styles.grow}>{shown}</ScrollView>
            {pane === 'air' ? null : calls}
          </View>
          <View style={styles.bench}>
            <ScrollView style={styles.grow} contentContainerStyle={styles.centred}>
              {loom}
            </ScrollView>
            {meter}
          </View>
        </View>
      ) : shape === 'sideways' ? (
        <View style={styles.wide}>
          <PlacesBar jobId={job.id} here="trace" />
          <ScrollView style={styles.side} contentContainerStyle={styles.sideWork}>
            {header}
            {status}
            <PaneTabs panes={phonePanes} />
            <SaveState jobId={job.id} />
            {metered ? meter : null}
            {called ? calls : null}
          </ScrollView>
          <ScrollView style={styles.grow}>{shown}</ScrollView>
        </View>
      ) : shape === 'small' ? (
        <ScrollView style={styles.grow}>
          {header}
          {status}
          <PaneTabs panes={phonePanes} />
          <SaveState jobId={job.id} />
          {shown}
          {metered ? meter : null}
          {called ? calls : null}
          <PlacesBar jobId={job.id} here="trace" />
        </ScrollView>
      ) : (
        <>
          {header}
          {status}
          <PaneTabs panes={phonePanes} />
          <SaveState jobId={job.id} />
          <ScrollView style={styles.grow}>{shown}</ScrollView>
          {metered ? meter : null}
          {called ? calls : null}
          <PlacesBar jobId={job.id} here="trace" />
        </>
      )}
      <TraceSheet circuit={circuit} job={job} actions={actions} />
      <Snackbar
        visible={message !== null}
        onDismiss={() => dispatch(told(null))}
        duration={2500}
        wrapperStyle={wide ? styles.snackWide : styles.snack}
      >
        {message ?? ''}
      </Snackbar>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1 },
  // As wide as its word: seven stand side by side on a phone.
  tab: {
    flexGrow: 1,
    minWidth: 44,
    minHeight: 44,
    alignItems: 'center',
    justifyContent: 'center',
    borderBottomWidth: 3,
  },
  tabs: { flexDirection: 'row', flexWrap: 'wrap', columnGap: 4, paddingHorizontal: 12 },
  grow: { flex: 1 },
  wide: { flex: 1, flexDirection: 'row' },
  work: { flex: 1, borderRightWidth: 1 },
  side: { width: 300, flexGrow: 0, flexShrink: 0 },
  sideWork: { gap: 6, paddingBottom: 12 },
  bench: { flex: 2 },
  centred: { alignItems: 'stretch' },
  snack: { bottom: 200 },
  snackWide: { bottom: 100 },
});
