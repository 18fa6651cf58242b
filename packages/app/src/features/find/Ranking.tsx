import { View } from 'react-native';
import type { FindView } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { failureText, meaningText, percentText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

/** What is left, as bars with their shares. */
export function Ranking({ view, names, count }: { view: FindView; names: Names; count: number }) {
  const t = useTokens();
  const { left, others } = view;
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="small">{`What is left, after ${count} ${count === 1 ? 'observation' : 'observations'}`}</AppText>
      <View role="list" aria-label="What is left" style={styles.list}>
        {left.map(({ failures, share }, i) => (
          <View
            key={failureText(names, failures[0]!)}
            role="listitem"
            style={styles.line}
            aria-label={`${meaningText(names, failures)}: ${percentText(share)}`}
          >
            <AppText kind="strong" lines={3} style={styles.name}>
              {failureText(names, failures[0]!)}
            </AppText>
            <View style={[styles.track, { backgroundColor: t.idle }]} aria-hidden>
              <View
                style={[
                  styles.fill,
                  {
                    width: `${Math.max(2, Math.round(share * 100))}%`,
                    backgroundColor: i === 0 ? t.red : t.copper,
                  },
                ]}
              />
            </View>
            <AppText kind="mark" style={styles.share}>
              {percentText(share)}
            </AppText>
          </View>
        ))}
      </View>
      {others.count > 0 ? (
        <AppText kind="small">{`${others.count} ${others.count === 1 ? 'other' : 'others'}: ${percentText(others.share)}`}</AppText>
      ) : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  list: { gap: 8 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  name: { flex: 1 },
  track: { width: 104, height: 10, borderRadius: 5, overflow: 'hidden' },
  fill: { height: 10 },
  share: { minWidth: 44, textAlign: 'right' },
});
