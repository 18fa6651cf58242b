import { startTransition, useCallback, useDeferredValue, useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { useBenchRunner } from '../bench/useBenchRunner';
import { useAppStore, useAppDispatch, useAppSelector } from '../../store';
import { takeResumed } from '../../store/resume';
import type { Job } from '../jobs/api';
import { sheetOpened } from './slice';
import { sheet, useShape, useTokens } from '../../theme';
import { useHand } from '../settings/useHand';
import { ActionButton, CIRCUIT, Deferred, Heard, SkipLink, WORK } from '../../basics';
import { GOAL } from '../../basics/focus';
import { AirPane } from '../air/AirPane';
import { FindPane } from '../find/FindPane';
import { LadderPane } from '../ladder/LadderPane';
import { LiveLoom } from '../loom/LiveLoom';
import { MeterBar } from '../meter/MeterBar';
import { useView } from '../job/address';
import { JobHeader } from '../job/JobHeader';
import { PLACE_TITLES, usePageTitle } from '../job/title';
import { PlacesBar } from '../job/PlacesBar';
import { Told } from '../job/Told';
import { TimelinePane } from '../timeline/TimelinePane';
import { PaneTabs } from './PaneTabs';
import { CallStrip } from './CallStrip';
import type { Pane } from './panes';
import { NO_PROBES, PANES, panesFor } from './panes';
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

/** Resumed at it the circuit comes first, and what stands below it once that is there. */
function useFirst(): { isFirst: boolean; isThere: boolean } {
  const store = useAppStore();
  const [isFirst] = useState(() => takeResumed(store));
  const [isThere, setThere] = useState(!isFirst);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setThere(true)), 0);
    return () => clearTimeout(timer);
  }, []);
  return { isFirst, isThere };
}

/** The live circuit of one job: call, watch, probe, change, log. */
export function Trace({ job, circuit }: TraceProps) {
  const t = useTokens();
  const hand = useHand();
  const shape = useShape();
  const wide = shape === 'wide';
  const run = useBenchRunner();
  const actions = useTraceActions();
  const skip = useCallback(() => void run('skip'), [run]);
  const { isFirst, isThere } = useFirst();
  const [view, go] = useView<Pane>(PANES);
  useTraceKeys(actions, skip, go);
  const carried = useAppSelector(({ trace }) => trace.carried);
  const pane = view ?? 'loom';
  // What was shown stays until the next is drawn, which is done a little at a time.
  const drawn = useDeferredValue(pane);
  const title = `${PLACE_TITLES.trace}, ${PANES[pane]}`;
  usePageTitle(title, job);
  // What is in hand is put down on the loom.
  useEffect(() => {
    if (carried && pane !== 'loom') go('loom');
  }, [carried, pane, go]);
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
  const shown = (
    <View id={WORK} {...GOAL}>
      <Heard heading={title} />
      <Deferred first={isFirst}>{paneOf(wide && drawn === 'loom' ? 'path' : drawn)}</Deferred>
    </View>
  );
  const tabs = <PaneTabs panes={panesFor(circuit, wide)} here={pane} onGo={go} />;
  const header = <Header job={job} />;
  const meter = <MeterBar circuit={circuit} />;
  const calls = <CallStrip circuit={circuit} actions={actions} />;
  const status = pane === 'find' ? null : <StatusLine onSkip={skip} />;
  const metered = !NO_PROBES.has(pane);
  const called = metered && pane !== 'time';
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      <SkipLink />
      {wide ? <SkipLink to={CIRCUIT} /> : null}
      {wide ? (
        <View style={[styles.wide, hand]}>
          <PlacesBar jobId={job.id} here="trace" />
          <View style={[styles.work, { borderColor: t.line }]}>
            {header}
            <StatusLine onSkip={skip} />
            <SaveState jobId={job.id} />
            {tabs}
            <ScrollView style={styles.grow}>{shown}</ScrollView>
            {pane === 'air' ? null : calls}
          </View>
          <View id={CIRCUIT} {...GOAL} style={[styles.bench, styles.meterFirst]}>
            {meter}
            <ScrollView style={styles.grow} contentContainerStyle={styles.centred}>
              <Deferred>{loom}</Deferred>
            </ScrollView>
          </View>
        </View>
      ) : shape === 'sideways' ? (
        <View style={[styles.wide, hand]}>
          <PlacesBar jobId={job.id} here="trace" />
          <ScrollView style={styles.side} contentContainerStyle={styles.sideWork}>
            {header}
            {status}
            {tabs}
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
          {tabs}
          <SaveState jobId={job.id} />
          <View style={styles.meterFirst}>
            {metered ? meter : null}
            {shown}
          </View>
          {called ? calls : null}
          <PlacesBar jobId={job.id} here="trace" />
        </ScrollView>
      ) : (
        <>
          {header}
          {status}
          {tabs}
          <SaveState jobId={job.id} />
          <View style={[styles.grow, styles.meterFirst]}>
            {metered && isThere ? meter : null}
            <ScrollView style={styles.grow}>{shown}</ScrollView>
          </View>
          {called && isThere ? calls : null}
          {isThere ? <PlacesBar jobId={job.id} here="trace" /> : null}
        </>
      )}
      <TraceSheet circuit={circuit} job={job} actions={actions} />
      <Told style={wide ? styles.snackWide : styles.snack} />
    </View>
  );
}

const styles = sheet({
  page: { flex: 1 },
  grow: { flex: 1 },
  wide: { flex: 1, flexDirection: 'row' },
  work: { flex: 1, borderRightWidth: 1 },
  side: { width: 300, flexGrow: 0, flexShrink: 0 },
  sideWork: { gap: 8, paddingBottom: 12 },
  bench: { flex: 2 },
  // By keys and by ear the meter comes before the circuit, which is a long way through; to the eye it stands below.
  meterFirst: { flexDirection: 'column-reverse' },
  centred: { alignItems: 'stretch' },
  snack: { bottom: 200 },
  snackWide: { bottom: 100 },
});
