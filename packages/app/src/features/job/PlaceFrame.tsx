import type { PropsWithChildren, ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { sheet, useShape, useTokens } from '../../theme';
import { useHand } from '../settings/useHand';
import { CIRCUIT, Deferred, Heard, SkipLink, WORK } from '../../basics';
import { GOAL } from '../../basics/focus';
import { SaveState } from '../circuit/SaveState';
import { Replacing } from '../plan/Replacing';
import { PLACE_TITLES, usePageTitle } from './title';
import { JobHeader } from './JobHeader';
import { LiveBench } from './LiveBench';
import type { PlaceName } from './address';
import { PlacesBar } from './PlacesBar';
import { Told } from './Told';

type PlaceFrameProps = PropsWithChildren<{
  job: Job;
  here: PlaceName;
  /** Steps of the place, under its head. */
  tabs?: ReactNode;
}>;

/** A place that is one column of work: head, tabs, the work, the way to the other places; on a wide screen the live loom beside it. */
export function PlaceFrame({ job, here, tabs, children }: PlaceFrameProps) {
  const t = useTokens();
  const hand = useHand();
  const shape = useShape();
  const wide = shape === 'wide';
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const hasBench = wide && circuit !== null && circuit.devices.length > 0;
  const title = PLACE_TITLES[here];
  usePageTitle(title, job);
  const places = <PlacesBar jobId={job.id} here={here} />;
  const beside = wide || shape === 'sideways';
  const head = (
    <>
      <JobHeader job={job} />
      {tabs}
      <SaveState jobId={job.id} />
    </>
  );
  // In a low window the head goes up with the work, and on a small one the way to other places too.
  const low = shape === 'sideways' || shape === 'small';
  return (
    <View style={[styles.page, beside ? [styles.wide, hand] : null, { backgroundColor: t.paper }]}>
      {beside ? places : null}
      <View style={styles.work} role="main">
        <SkipLink />
        {hasBench ? <SkipLink to={CIRCUIT} /> : null}
        {low ? null : head}
        <ScrollView style={styles.grow}>
          {low ? head : null}
          <View id={WORK} {...GOAL} style={styles.column}>
            <Heard heading={title} />
            <Deferred>{children}</Deferred>
          </View>
          {shape === 'small' ? places : null}
        </ScrollView>
      </View>
      {hasBench ? <LiveBench circuit={circuit} job={job} /> : null}
      {shape === 'phone' ? places : null}
      <Told />
      <Replacing />
    </View>
  );
}

const styles = sheet({
  page: { flex: 1 },
  wide: { flexDirection: 'row' },
  work: { flex: 1 },
  grow: { flex: 1 },
  column: { padding: 12, gap: 12, width: '100%', maxWidth: 760, alignSelf: 'center' },
});
