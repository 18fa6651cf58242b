import { View } from 'react-native';
import type { Bring } from '@zygostat/core/diagnose';
import { itemText, percentText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

/** What to put into the van, by what is left after the telephone. */
export function Bringing({
  bring: { items, covered, deferred },
  onArrive,
}: {
  bring: Bring;
  onArrive: () => void;
}) {
  const t = useTokens();
  return (
    <View
      role="region"
      aria-label="What to bring"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
    >
      <AppText kind="title" heading={2}>
        What to bring
      </AppText>
      <View role="list" style={styles.list}>
        {items.map((item) => (
          <View key={itemText(item)} role="listitem">
            <AppText>{`• ${itemText(item)}`}</AppText>
          </View>
        ))}
      </View>
      <AppText kind="small">
        {`${items.length > 0 ? 'With these' : 'With nothing'} ${percentText(covered)} of what it can be is put right in one visit.`}
      </AppText>
      {deferred >= 0.02 ? (
        <AppText kind="small" color={t.amber}>
          {`${percentText(deferred)} is for who is licensed for gas, refrigerant or life safety where you are.`}
        </AppText>
      ) : null}
      <ActionButton label="I am there now" look="filled" onPress={onArrive} />
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8 },
  list: { gap: 2 },
});
