import { View } from 'react-native';
import { sheet } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Progress as Bar } from '../../basics/Progress';
import type { Progress } from './useAside';

interface WorkingProps {
  label: string;
  progress: Progress;
  onStop: () => void;
}

/** Long work under way: what it is at, how far, and a way to stop it. */
export function Working({ label, progress: { what, done, all }, onStop }: WorkingProps) {
  const share = all === 0 ? 0 : done / all;
  return (
    <View role="status" aria-live="polite" style={styles.working}>
      <AppText kind="strong">{what ? `${label}: ${what}` : `${label}…`}</AppText>
      <Bar label={label} share={share} />
      <ActionButton label="Stop" onPress={onStop} />
    </View>
  );
}

const styles = sheet({ working: { gap: 8, paddingVertical: 4 } });
