import { ProgressBar } from 'react-native-paper';
import { View } from 'react-native';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

/** Two faults at once are weighed: how far, and a way to stop it. */
export function Pairing({ done, all, onStop }: { done: number; all: number; onStop: () => void }) {
  const t = useTokens();
  return (
    <View role="status" aria-live="polite" style={styles.pairing}>
      <AppText kind="strong">{`Weighing two faults at once: ${done} of ${all}`}</AppText>
      <ProgressBar
        accessibilityLabel="Weighing two faults at once"
        progress={all === 0 ? 0 : done / all}
        color={t.copper}
      />
      <ActionButton label="Stop" onPress={onStop} />
    </View>
  );
}

const styles = sheet({ pairing: { gap: 8 } });
