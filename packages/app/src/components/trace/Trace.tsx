import { router } from 'expo-router';
import { lazy, memo, useCallback, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Snackbar } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { useBenchRunner } from '../../bench/useBenchRunner';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job } from '../../store/api';
import type { Pane } from '../../store/trace';
import { paneChosen, sheetOpened, told } from '../../store/trace';
import { useTokens, useWide } from '../../theme';
import { Act, Words } from '../basics';
import { Loom } from '../loom/Loom';
import { MeterBar } from '../meter/MeterBar';
import { Later } from '../places/Later';
import { PlacesBar } from '../places/PlacesBar';
import { CallStrip } from './CallStrip';
import { PathPane } from './PathPane';
import { ReadingsPane } from './ReadingsPane';
import { SaveState } from './SaveState';
import { StatusLine } from './StatusLine';
import { TraceSheet } from './TraceSheet';
import type { TraceActions } from './useTraceActions';
import { useTraceActions } from './useTraceActions';
import { useTraceKeys } from './useTraceKeys';

interface TraceProps {
  job: Job;
  circuit: Circuit;
}

const PANES: Record<Pane, string> = {
  loom: 'Loom',
  ladder: 'Ladder',
  path: 'Path',
  time: 'Time',
  // Short for five tabs side by side; a screen reader hears it whole.
  readings: 'Log',
};

// Read when first wanted, so that the first view stays light.
const LadderPane = lazy(() => import('../ladder/LadderPane'));
const TimelinePane = lazy(() => import('../timeline/TimelinePane'));

/** On a wide screen the loom stands beside the panes. */
const WIDE_PANES: readonly Pane[] = ['path', 'ladder', 'time', 'readings'];
const PHONE_PANES: readonly Pane[] = ['loom', 'ladder', 'path', 'time', 'readings'];

function Header({ job, actions }: { job: Job; actions: TraceActions }) {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector(({ edits }) => edits.past.length > 0);
  const canRedo = useAppSelector(({ edits }) => edits.future.length > 0);
  return (
    <View style={styles.header}>
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
      <Act label="Undo" icon="undo" look="plain" iconOnly disabled={!canUndo} onPress={actions.undo} />
      <Act label="Redo" icon="redo" look="plain" iconOnly disabled={!canRedo} onPress={actions.redo} />
      <Act
        label="Notes, theme and files"
        icon="more"
        look="plain"
        iconOnly
        onPress={() => dispatch(sheetOpened({ type: 'menu' }))}
      />
    </View>
  );
}

function PaneTabs({ panes }: { panes: readonly Pane[] }) {
  const dispatch = useAppDispatch();
  const pane = useAppSelector(({ trace }) => trace.pane);
  const shown = panes.includes(pane) ? pane : panes[0];
  return (
    <View style={styles.tabs} role="group" aria-label="Views">
      {panes.map((name) => (
        <Act
          key={name}
          label={PANES[name]}
          hint={name === 'readings' ? 'Readings' : PANES[name]}
          pressed={name === shown}
          onPress={() => dispatch(paneChosen(name))}
          style={styles.tab}
        />
      ))}
    </View>
  );
}

/** The loom at whatever width it is given. */
const LiveLoom = memo(function LiveLoom({ circuit, actions }: { circuit: Circuit; actions: TraceActions }) {
  const dispatch = useAppDispatch();
  const [width, setWidth] = useState(0);
  const view = useAppSelector(({ bench }) => bench.view);
  const meter = useAppSelector(({ bench }) => bench.meter);
  const inviting = useAppSelector(({ bench, trace }) => bench.armed !== null || trace.carried !== null);
  const measure = useCallback(
    ({ nativeEvent }: LayoutChangeEvent) => setWidth(Math.floor(nativeEvent.layout.width)),
    [],
  );
  const onDevice = useCallback(
    (device: string) => void dispatch(sheetOpened({ type: 'device', device })),
    [dispatch],
  );
  const onConductor = useCallback(
    (conductor: string) => void dispatch(sheetOpened({ type: 'conductor', conductor })),
    [dispatch],
  );
  return (
    <View onLayout={measure}>
      {width > 0 ? (
        <Loom
          circuit={circuit}
          view={view}
          meter={meter}
          width={Math.min(width, 560)}
          inviting={inviting}
          onStud={actions.tapStud}
          onToggle={actions.toggle}
          onDevice={onDevice}
          onConductor={onConductor}
        />
      ) : null}
    </View>
  );
});

/** The live circuit of one job: call, watch, probe, change, log. */
export function Trace({ job, circuit }: TraceProps) {
  const t = useTokens();
  const wide = useWide();
  const dispatch = useAppDispatch();
  const run = useBenchRunner();
  const actions = useTraceActions();
  const skip = useCallback(() => void run('skip'), [run]);
  useTraceKeys(actions, skip);
  const pane = useAppSelector(({ trace }) => trace.pane);
  const message = useAppSelector(({ trace }) => trace.message);
  const loom = <LiveLoom circuit={circuit} actions={actions} />;
  const paneOf = (name: Pane) => {
    if (name === 'loom') return loom;
    if (name === 'path') return <PathPane onStud={actions.tapStud} />;
    if (name === 'readings') return <ReadingsPane circuit={circuit} jobId={job.id} />;
    return name === 'ladder' ? (
      <LadderPane circuit={circuit} onStud={actions.tapStud} />
    ) : (
      <TimelinePane circuit={circuit} />
    );
  };
  const shown = <Later>{paneOf(wide && pane === 'loom' ? 'path' : pane)}</Later>;
  const header = <Header job={job} actions={actions} />;
  const meter = <MeterBar circuit={circuit} />;
  const calls = <CallStrip circuit={circuit} actions={actions} />;
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      {wide ? (
        <View style={styles.wide}>
          <PlacesBar jobId={job.id} here="trace" />
          <View style={[styles.work, { borderColor: t.line }]}>
            {header}
            <StatusLine onSkip={skip} />
            <SaveState jobId={job.id} />
            <PaneTabs panes={WIDE_PANES} />
            <ScrollView style={styles.grow}>{shown}</ScrollView>
            {calls}
          </View>
          <View style={styles.bench}>
            <ScrollView style={styles.grow} contentContainerStyle={styles.centred}>
              {loom}
            </ScrollView>
            {meter}
          </View>
        </View>
      ) : (
        <>
          {header}
          <StatusLine onSkip={skip} />
          <PaneTabs panes={PHONE_PANES} />
          <SaveState jobId={job.id} />
          <ScrollView style={styles.grow}>{shown}</ScrollView>
          {meter}
          {pane === 'time' ? null : calls}
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

export default Trace;

const styles = StyleSheet.create({
  page: { flex: 1 },
  header: { flexDirection: 'row', alignItems: 'center', paddingLeft: 2, paddingRight: 2, minHeight: 56 },
  titles: { flex: 1 },
  tab: { flex: 1, paddingHorizontal: 4 },
  tabs: { flexDirection: 'row', gap: 6, paddingHorizontal: 12, paddingVertical: 6 },
  grow: { flex: 1 },
  wide: { flex: 1, flexDirection: 'row' },
  work: { flex: 1, borderRightWidth: 1 },
  bench: { width: 560 },
  centred: { alignItems: 'stretch' },
  snack: { bottom: 240 },
  snackWide: { bottom: 100 },
});
