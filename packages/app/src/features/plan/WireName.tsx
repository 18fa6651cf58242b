import { View } from 'react-native';
import type { ColourCode } from '@zygostat/core/standards';
import { COLOURS, colourName } from '@zygostat/core/standards';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

/** A conductor by its insulation: swatch, IEC 60757 code and name. */
export function WireName({ colour, tag }: { colour: ColourCode; tag?: string }) {
  const t = useTokens();
  return (
    <View style={styles.row}>
      <View style={[styles.swatch, { backgroundColor: COLOURS[colour].hex, borderColor: t.mute }]} />
      <AppText kind="strong">{`${colour} ${colourName(colour)}`}</AppText>
      {tag ? <AppText kind="small">{`tag ${tag}`}</AppText> : null}
    </View>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  swatch: { width: 28, height: 16, borderRadius: 4, borderWidth: 1 },
});
