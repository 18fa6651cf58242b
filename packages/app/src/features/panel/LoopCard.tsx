import { View } from 'react-native';
import type { Loop } from '@zygostat/core/fire';
import type { Names } from '@zygostat/core/words';
import { loopPointText, milliampsText, unwatchedTexts } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

/** A supervised loop: how it reads, what a meter finds at each device, and what of it nobody watches. */
export function LoopCard({ loop, names }: { loop: Loop; names: Names }) {
  const t = useTokens();
  const faults = unwatchedTexts(names, loop);
  const ink = { normal: t.teal, alarm: t.red, trouble: t.amber }[loop.reads];
  return (
    <View
      role="region"
      aria-label={names.device(loop.panel)}
      style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
    >
      <AppText kind="title" heading={2}>
        {names.device(loop.panel)}
      </AppText>
      <AppText kind="strong" color={ink}>{`${loop.reads}, ${milliampsText(loop.amps)}`}</AppText>
      <View role="list" aria-label="From the panel on">
        {loop.points.map((point) => (
          <View key={point.device} role="listitem" style={[styles.line, { borderColor: t.line }]}>
            <AppText kind="strong">{names.device(point.device)}</AppText>
            <AppText kind="small">{loopPointText(point)}</AppText>
          </View>
        ))}
      </View>
      {faults.length === 0 ? (
        <AppText color={t.teal}>All of it is supervised: whatever breaks shows as trouble.</AppText>
      ) : (
        faults.map((text) => (
          <AppText key={text} color={t.red}>
            {text}
          </AppText>
        ))
      )}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  line: { borderBottomWidth: 1, paddingVertical: 6 },
});
