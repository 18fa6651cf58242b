import { ScrollView, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { useBenchRunner } from '../bench/useBenchRunner';
import type { Job } from '../jobs/api';
import { CIRCUIT } from '../../basics';
import { GOAL } from '../../basics/focus';
import { sheet, useTokens } from '../../theme';
import { LiveLoom } from '../loom/LiveLoom';
import { MeterBar } from '../meter/MeterBar';
import { TraceSheet } from '../trace/TraceSheet';
import { useTraceActions } from '../trace/useTraceActions';

/** The live loom with its meter, beside whatever a place does. */
export function LiveBench({ circuit, job }: { circuit: Circuit; job: Job }) {
  const t = useTokens();
  useBenchRunner();
  const actions = useTraceActions();
  return (
    <View
      id={CIRCUIT}
      {...GOAL}
      style={[styles.bench, { borderColor: t.line }]}
      role="complementary"
      aria-label="Live loom"
    >
      <ScrollView style={styles.grow}>
        <LiveLoom circuit={circuit} actions={actions} />
      </ScrollView>
      <MeterBar circuit={circuit} />
      <TraceSheet circuit={circuit} job={job} actions={actions} />
    </View>
  );
}

const styles = sheet({
  bench: { width: 500, borderLeftWidth: 1 },
  grow: { flex: 1 },
});
