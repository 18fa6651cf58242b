import { View } from 'react-native';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';
import type { Other } from './useLive';
import { useLive } from './useLive';

/** Initials shown before the rest is a number. */
const SHOWN = 3;

/** "Ada Quill" is AQ; who gave no name is a dot. */
const initialsOf = ({ name }: Other) =>
  name
    .split(/\s+/)
    .filter((word) => word !== '')
    .slice(0, 2)
    .map((word) => word[0]!.toUpperCase())
    .join('') || '•';

const nameOf = ({ name }: Other) => name || 'somebody';

/** Who else has the job open, by their initials; what they change is taken up as it comes. */
export function Present({ jobId }: { jobId: string }) {
  const t = useTokens();
  const others = useLive(jobId);
  if (others.length === 0) return null;
  const shown = others.slice(0, SHOWN);
  return (
    <View role="img" aria-label={`Also here: ${others.map(nameOf).join(', ')}`} style={styles.row}>
      {shown.map((other) => (
        <View key={other.page} style={[styles.one, { backgroundColor: t.teal }]}>
          <AppText kind="small" color={t.card} style={styles.initials}>
            {initialsOf(other)}
          </AppText>
        </View>
      ))}
      {others.length > SHOWN ? <AppText kind="small">{`+${others.length - SHOWN}`}</AppText> : null}
    </View>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', alignItems: 'center', gap: 3 },
  one: { width: 24, height: 24, borderRadius: 12, alignItems: 'center', justifyContent: 'center' },
  initials: { fontSize: 12, lineHeight: 14, fontWeight: '600' },
});
