import { View } from 'react-native';
import { broughtText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';
import { dayText } from '../../basics/when';

/** Says of a job that it was read in from a file: what it says was done elsewhere nobody here saw. */
export function Brought({ by, at }: { by: string; at: string | null }) {
  const t = useTokens();
  return (
    <View role="note" style={[styles.card, { borderColor: t.amber, backgroundColor: t.amberSoft }]}>
      <AppText color={t.amber}>{broughtText(by, at === null ? null : dayText(at))}</AppText>
    </View>
  );
}

const styles = sheet({ card: { borderWidth: 1, borderRadius: 12, padding: 12 } });
