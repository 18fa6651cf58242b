import type { KeyboardEvent, MouseEvent, ReactElement, ReactNode } from 'react';
import type { AccessibilityProps, GestureResponderEvent, StyleProp, ViewStyle } from 'react-native';
import { sheet } from '../theme';
import { RESET, host } from './host';

type TapProps = Pick<AccessibilityProps, Extract<keyof AccessibilityProps, `aria-${string}` | 'role'>> & {
  id?: string;
  testID?: string;
  tabIndex?: 0 | -1;
  disabled?: boolean;
  /** A moment before it is pressed. */
  onPressIn?: () => void;
  onPress: (event: GestureResponderEvent) => void;
  onFocus?: () => void;
  onBlur?: () => void;
  style?: StyleProp<ViewStyle>;
  children?: ReactNode;
};

/** What can be tapped, and pressed by Enter as a button is; `basics/keys.ts` has the other keys of the other roles. */
export function Tap({
  disabled = false,
  tabIndex = disabled ? -1 : 0,
  onPress,
  onPressIn,
  style,
  ...rest
}: TapProps): ReactElement {
  const press = (event: MouseEvent | KeyboardEvent) => {
    event.stopPropagation();
    onPress(event as unknown as GestureResponderEvent);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || event.defaultPrevented || event.target !== event.currentTarget) return;
    event.preventDefault();
    // Held down it presses once.
    if (!event.repeat) press(event);
  };
  return host({
    ...rest,
    dataSet: { tap: '' },
    tabIndex,
    'aria-disabled': disabled || undefined,
    onPointerDown: onPressIn,
    ...(!disabled && { onClick: press, ...(rest.role !== 'button' && { onKeyDown }) }),
    style: [RESET.box$raw, disabled ? null : styles.tap, style],
  });
}

const styles = sheet({ tap: { cursor: 'pointer', touchAction: 'manipulation' } as ViewStyle });
