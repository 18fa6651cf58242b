import { AIR } from '@zygostat/core/drawing';
import { Tap } from '../../basics';
import { sheet } from '../../theme';

interface AirDamperButtonProps {
  x: number;
  y: number;
  label: string;
  onPress: () => void;
}

/** Over a damper of the drawing: what it is and how it is held, a tap away. */
export function AirDamperButton({ x, y, label, onPress }: AirDamperButtonProps) {
  return (
    <Tap
      role="button"
      aria-label={label}
      onPress={onPress}
      style={[styles.damper, { left: x - AIR.damper - 2, top: y - AIR.damper - 2 }]}
    />
  );
}

const SIZE = 2 * AIR.damper + 4;
const styles = sheet({
  damper: { position: 'absolute', width: SIZE, height: SIZE, borderRadius: SIZE / 2 },
});
