import { memo } from 'react';
import { View } from 'react-native';
import type { Face } from '@zygostat/core/devices';
import type { Chip } from '@zygostat/core/drawing';
import { Icon } from '../../theme/icons';
import { sheet, useTokens } from '../../theme';
import { AppText, Tap } from '../../basics';
import { OFF_TAB } from './arrows';
import { toneFill, toneInk } from './inks';

interface ChipButtonProps {
  chip: Chip;
  label: string;
  /** What is seen on it, in a word, and how it stands. */
  state: string | undefined;
  tone: Face['tone'] | undefined;
  onToggle: (device: string) => void;
  onMore: (device: string) => void;
}

/** A switch, safety or fuse where it sits in a conductor: tap to operate it, the dots for the rest. */
export const ChipButton = memo(function ChipButton({
  chip,
  label,
  state,
  tone = 'ok',
  onToggle,
  onMore,
}: ChipButtonProps) {
  const t = useTokens();
  const ink = toneInk(t, tone);
  const fill = toneFill(t, tone);
  return (
    <View
      style={[
        styles.chip,
        {
          left: chip.x,
          top: chip.y,
          width: chip.width,
          height: chip.height,
          borderColor: ink,
          backgroundColor: fill,
        },
      ]}
    >
      <Tap
        {...OFF_TAB}
        role="switch"
        aria-checked={tone === 'ok'}
        aria-label={`${label}, ${state ?? 'no state'}`}
        testID={`chip-${chip.device}`}
        onPress={() => onToggle(chip.device)}
        style={styles.main}
      >
        <AppText kind="strong" color={t.ink} lines={1} style={styles.label}>
          {label}
        </AppText>
        <AppText kind="strong" color={ink} lines={1} style={styles.state}>
          {state ?? '–'}
        </AppText>
      </Tap>
      <Tap
        {...OFF_TAB}
        role="button"
        aria-label={`About ${label}`}
        onPress={() => onMore(chip.device)}
        style={styles.more}
      >
        <Icon name="more" size={20} color={t.mute} />
      </Tap>
    </View>
  );
});

const styles = sheet({
  chip: {
    position: 'absolute',
    borderRadius: 22,
    borderWidth: 1.5,
    flexDirection: 'row',
    overflow: 'hidden',
  },
  main: { flex: 1, paddingLeft: 14, justifyContent: 'center' },
  label: { fontSize: 14.5, lineHeight: 17 },
  state: { fontSize: 13.5, lineHeight: 16 },
  more: { width: 44, alignItems: 'center', justifyContent: 'center' },
});
