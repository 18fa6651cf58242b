import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { nodeName } from '@zygostat/core/circuit';
import { expectedFigureText, figureText } from '@zygostat/core/words';
import { problemOf } from '../../store/api';
import { useReadings } from './useReadings';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Waiting, AppText } from '../../basics';
import { VERDICT_WORDS } from './LogSheet';
import { whenInYearText } from '../../basics/when';

/** Every reading taken on this job beside what the model expected of it. */
export function ReadingsPane({ circuit, jobId }: { circuit: Circuit; jobId: string }) {
  const t = useTokens();
  const { readings, isLoading, error, refetch } = useReadings(jobId);
  if (isLoading) return <Waiting label="Loading readings" />;
  if (error)
    return (
      <View style={styles.pane}>
        <AppText>{problemOf(error).detail}</AppText>
        <ActionButton label="Try again" onPress={() => void refetch()} />
      </View>
    );
  return (
    <View style={styles.pane}>
      {readings.length === 0 ? (
        <AppText>
          No readings yet. Put the probes on two studs, then press Log with what your own meter shows.
        </AppText>
      ) : null}
      <View role="list" style={styles.list}>
        {readings.map((reading) => (
          <View
            key={reading.id}
            role="listitem"
            style={[styles.reading, { backgroundColor: t.card, borderColor: t.line }]}
          >
            <View style={styles.head}>
              <AppText kind="strong" style={styles.grow}>
                {nodeName(circuit, reading.red)} to {nodeName(circuit, reading.black)}
              </AppText>
              <AppText kind="mark" color={reading.verdict === 'agrees' ? t.teal : t.red}>
                {figureText(reading.actual, reading.unit)}
              </AppText>
            </View>
            <AppText kind="small">
              {VERDICT_WORDS[reading.verdict]} · expected {expectedFigureText(reading.expected, reading.unit)}{' '}
              · revision {reading.revision} · {reading.by === '' ? '' : `${reading.by} · `}
              {whenInYearText(reading.createdAt)}
            </AppText>
            {reading.situation ? <AppText kind="small">{reading.situation}</AppText> : null}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = sheet({
  pane: { padding: 12, gap: 10 },
  list: { gap: 8 },
  reading: { borderWidth: 1, borderRadius: 10, padding: 12, gap: 2 },
  head: { flexDirection: 'row', gap: 8 },
  grow: { flex: 1 },
});
