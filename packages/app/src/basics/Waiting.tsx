import type { ViewStyle } from 'react-native';
import { Platform, View } from 'react-native';
import { sheet, useTokens } from '../theme';

/**
 * Drawn by the browser alone: an indicator that is moved from JavaScript takes the very time that what it waits
 * for would need.
 */
const TURNING = (
  Platform.OS === 'web'
    ? {
        animationKeyframes: [{ from: { transform: 'rotate(0deg)' }, to: { transform: 'rotate(360deg)' } }],
        animationDuration: '0.9s',
        animationIterationCount: 'infinite',
        animationTimingFunction: 'linear',
      }
    : {}
) as ViewStyle;

/**
 * Says that something is on its way.
 *
 * @example
 * <Waiting label="Opening the plan" />
 */
export function Waiting({ label }: { label: string }) {
  const t = useTokens();
  return (
    <View role="status" aria-label={label} style={styles.waiting}>
      <View style={[styles.ring, { borderColor: t.line, borderTopColor: t.copper }, TURNING]} />
    </View>
  );
}

const styles = sheet({
  waiting: { padding: 24, alignItems: 'center' },
  ring: { width: 28, height: 28, borderRadius: 14, borderWidth: 3 },
});
