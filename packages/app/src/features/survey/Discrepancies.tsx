import { useMemo } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Discrepancy } from '@zygostat/core/survey';
import { discrepanciesOf } from '@zygostat/core/survey';
import { discrepancyText, namesIn } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText } from '../../basics';
import { useRuns } from './useSurvey';

const ALL: readonly Discrepancy['severity'][] = ['fault', 'caution', 'hint'];
const ICONS = { fault: 'alert', caution: 'clock', hint: 'info' } as const;

/** What the record shows at once: ends that do not agree, one-ended conductors, contradictions. */
export function Discrepancies({
  circuit,
  severities = ALL,
}: {
  circuit: Circuit;
  severities?: readonly Discrepancy['severity'][];
}) {
  const t = useTokens();
  const runs = useRuns(circuit);
  const found = useMemo(() => {
    const names = namesIn(circuit);
    return discrepanciesOf(circuit, { runs }).map((one) => ({ ...one, text: discrepancyText(names, one) }));
  }, [circuit, runs]);
  const ink = { fault: t.red, caution: t.amber, hint: t.slate };
  const shown = found.filter(({ severity }) => severities.includes(severity));
  if (shown.length === 0) return null;
  return (
    <View role="list" aria-label="Findings" style={styles.list}>
      {shown.map(({ severity, text }) => (
        <View key={text} role="listitem" style={styles.row}>
          <Icon name={ICONS[severity]} size={20} color={ink[severity]} />
          <AppText color={ink[severity]} style={styles.text}>
            {text.charAt(0).toUpperCase() + text.slice(1)}
          </AppText>
        </View>
      ))}
    </View>
  );
}

const styles = sheet({
  list: { gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  text: { flex: 1 },
});
