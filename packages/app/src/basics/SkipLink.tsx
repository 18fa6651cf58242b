import { useState } from 'react';
import { Pressable } from 'react-native';
import { sheet, useTokens } from '../theme';
import { AppText } from './AppText';

/** Name of what the link leads to. */
export const WORK = 'work';

/** Past what every page begins with, to the work: seen when it is reached by key. */
export function SkipLink() {
  const t = useTokens();
  const [isHere, setHere] = useState(false);
  return (
    <Pressable
      role="link"
      aria-label="To the work"
      onPress={() => document.getElementById(WORK)?.focus()}
      onFocus={() => setHere(true)}
      onBlur={() => setHere(false)}
      style={[styles.link, isHere ? { backgroundColor: t.card, borderColor: t.copper } : styles.hidden]}
    >
      <AppText kind="strong" color={t.copper}>
        To the work
      </AppText>
    </Pressable>
  );
}

const styles = sheet({
  link: {
    position: 'absolute',
    top: 4,
    left: 4,
    zIndex: 10,
    minHeight: 44,
    padding: 10,
    borderWidth: 2,
    borderRadius: 10,
  },
  // There for the keyboard, out of sight and out of the way of taps.
  hidden: { opacity: 0, pointerEvents: 'none' },
});
