import { useState } from 'react';
import { sheet, useTokens } from '../theme';
import { Tap } from './Tap';
import { AppText } from './AppText';

/** Names of what the links lead to: the work of a place, and the circuit beside it on a wide screen. */
export const WORK = 'work';
export const CIRCUIT = 'circuit';

const LABELS = { [WORK]: 'To the work', [CIRCUIT]: 'To the circuit' } as const;

/** Past what every page begins with, to the work or the circuit: seen when it is reached by key. */
export function SkipLink({ to = WORK }: { to?: keyof typeof LABELS }) {
  const t = useTokens();
  const [isHere, setHere] = useState(false);
  return (
    <Tap
      role="link"
      aria-label={LABELS[to]}
      onPress={() => document.getElementById(to)?.focus()}
      onFocus={() => setHere(true)}
      onBlur={() => setHere(false)}
      style={[styles.link, isHere ? { backgroundColor: t.card, borderColor: t.copper } : styles.hidden]}
    >
      <AppText kind="strong" color={t.copper}>
        {LABELS[to]}
      </AppText>
    </Tap>
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
