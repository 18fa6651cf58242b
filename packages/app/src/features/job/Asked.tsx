import { View } from 'react-native';
import type { Clash, Side } from '@zygostat/core/merge';
import type { Waiting } from '@zygostat/core/sync';
import { keyOf } from '@zygostat/core/sync';
import { documentClashSide, documentClashTitle } from '@zygostat/core/words';
import { askedOf } from '../../documents/asked';
import { syncIn } from '../../documents/slice';
import { ActionButton, AppText } from '../../basics';
import type { AppDispatch } from '../../store/root';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';

interface AskedProps {
  document: { name: string; decide: (clash: Clash, side: Side) => unknown };
  ownerId: string;
}

const NOTHING: readonly Clash[] = [];

/** What two people changed differently: both are shown, and a person decides. Until then the one that was saved first counts. */
export function Asked({ document, ownerId }: AskedProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { name } = document;
  const item: Waiting | undefined = useAppSelector(
    (state) => syncIn(state).items[keyOf({ name: askedOf(name), id: ownerId })],
  );
  const [clash] = (item?.value as readonly Clash[] | undefined) ?? NOTHING;
  if (!clash) return null;
  const decide = (side: Side) => dispatch(document.decide(clash, side) as Parameters<AppDispatch>[0]);
  return (
    <View role="alert" style={[styles.card, { borderColor: t.amber, backgroundColor: t.amberSoft }]}>
      <AppText kind="strong" color={t.amber}>
        {`You and somebody else changed the same thing: ${documentClashTitle(name, clash)}`}
      </AppText>
      <AppText>{`Yours: ${documentClashSide(clash, 'mine')}`}</AppText>
      <AppText>{`Theirs: ${documentClashSide(clash, 'theirs')}`}</AppText>
      <View style={styles.row}>
        <ActionButton label="Keep mine" onPress={() => decide('mine')} style={styles.grow} />
        <ActionButton label="Keep theirs" onPress={() => decide('theirs')} style={styles.grow} />
      </View>
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  grow: { flexGrow: 1 },
});
