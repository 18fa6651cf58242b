import type { ReactNode } from 'react';
import type { StyleProp, ViewStyle } from 'react-native';
import type { IconName } from '../theme/icons';
import { Icon } from '../theme/icons';
import { sheet, useTokens } from '../theme';
import { Tap } from './Tap';
import { AppText } from './AppText';

interface ActionButtonProps {
  label: string;
  onPress: () => void;
  /** What a screen reader says, when the label alone is not enough. */
  hint?: string;
  icon?: IconName;
  /** `filled` for the one next thing to do, `outlined` for the rest, `plain` inside lines. */
  look?: 'filled' | 'outlined' | 'plain';
  /** For buttons that stay pressed. */
  pressed?: boolean;
  disabled?: boolean;
  iconOnly?: boolean;
  style?: StyleProp<ViewStyle>;
  children?: ReactNode;
}

/**
 * A button no smaller than a gloved thumb.
 *
 * @example <ActionButton label="Log" look="filled" onPress={save} />
 */
export function ActionButton({
  label,
  onPress,
  hint,
  icon,
  look = 'outlined',
  pressed,
  disabled,
  iconOnly,
  style,
}: ActionButtonProps) {
  const t = useTokens();
  const on = look === 'filled' || pressed === true;
  const ink = on ? t.onCopper : look === 'plain' ? t.copper : t.ink;
  return (
    <Tap
      role="button"
      aria-label={hint ?? label}
      {...(pressed !== undefined && { 'aria-pressed': pressed })}
      disabled={disabled === true}
      onPress={onPress}
      style={[
        styles.act,
        look === 'plain'
          ? null
          : { borderWidth: 1, borderColor: on ? t.copper : t.line, backgroundColor: on ? t.copper : t.card },
        iconOnly ? styles.square : null,
        disabled ? styles.disabled : null,
        style,
      ]}
    >
      {icon ? <Icon name={icon} size={22} color={ink} /> : null}
      {iconOnly ? null : (
        <AppText kind="strong" color={ink} lines={2} style={styles.words}>
          {label}
        </AppText>
      )}
    </Tap>
  );
}

const styles = sheet({
  act: {
    minHeight: 44,
    minWidth: 44,
    paddingHorizontal: 12,
    paddingVertical: 2,
    borderRadius: 10,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 8,
  },
  words: { textAlign: 'center' },
  square: { paddingHorizontal: 0, width: 44 },
  disabled: { opacity: 0.4 },
});
