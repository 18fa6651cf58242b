import { View } from 'react-native';
import { ProgressBar } from 'react-native-paper';
import { sheet, useTokens } from '../theme';

interface ProgressProps {
  label: string;
  /** 0 to 1. */
  share: number;
  color?: string;
}

/** How far something is, as a bar. In the page Paper's own is as high as whatever it stands in, over what comes below. */
export function Progress({ label, share, color }: ProgressProps) {
  const t = useTokens();
  return (
    <View style={styles.bar}>
      <ProgressBar accessibilityLabel={label} progress={share} color={color ?? t.copper} />
    </View>
  );
}

const styles = sheet({ bar: { height: 4, flexShrink: 0 } });
