import { View } from 'react-native';
import type { Shut as ShutBy } from '@zygostat/core/wire';
import { shutText } from '@zygostat/core/words';
import { AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { whenText } from '../../basics/when';

/** Why the power-off steps are asked again, and who or what did that. */
export function Shut({ shut }: { shut: ShutBy }) {
  const t = useTokens();
  const { what, act } = shutText(shut, whenText(shut.at));
  return (
    <View role="alert" style={[styles.card, { borderColor: t.red, backgroundColor: t.redSoft }]}>
      <AppText kind="strong" color={t.red}>
        {what}
      </AppText>
      <AppText>{act}</AppText>
    </View>
  );
}

const styles = sheet({ card: { borderWidth: 2, borderRadius: 12, padding: 14, gap: 4 } });
