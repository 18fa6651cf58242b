import { View } from 'react-native';
import type { ColourCode } from '@zygostat/core/standards';
import { COLOURS } from '@zygostat/core/standards';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

/** A conductor's insulation colour with its letter code. */
export function Swatch({ colour }: { colour: ColourCode }) {
  const t = useTokens();
  return (
    <View style={styles.swatch}>
      <View style={[styles.bar, { backgroundColor: COLOURS[colour].hex, borderColor: t.mute }]} />
      <AppText kind="figure">{colour}</AppText>
    </View>
  );
}

const styles = sheet({
  swatch: { width: 36, alignItems: 'center' },
  bar: { width: 30, height: 10, borderRadius: 5, borderWidth: 1 },
});
