import { View } from 'react-native';
import { sheet } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Progress } from '../../basics/Progress';

/** Two faults at once are weighed: how far, and a way to stop it. */
export function Pairing({ done, all, onStop }: { done: number; all: number; onStop: () => void }) {
  return (
    <View role="status" aria-live="polite" style={styles.pairing}>
      <AppText kind="strong">{`Weighing two faults at once: ${done} of ${all}`}</AppText>
      <Progress label="Weighing two faults at once" share={all === 0 ? 0 : done / all} />
      <ActionButton label="Stop" onPress={onStop} />
    </View>
  );
}

const styles = sheet({ pairing: { gap: 8 } });
