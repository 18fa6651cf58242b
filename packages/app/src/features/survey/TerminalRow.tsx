import type { ColourCode } from '@zygostat/core/standards';
import { colourName } from '@zygostat/core/standards';
import { sheet, useTokens } from '../../theme';
import { AppText, Tap } from '../../basics';
import { Swatch } from '../trace/Swatch';

interface TerminalRowProps {
  /** The whole name, for a screen reader. */
  name: string;
  /** What is written. */
  mark: string;
  colour: ColourCode | null;
  /** It was looked at, and nothing is on it. */
  bare: boolean;
  active: boolean;
  onPress: () => void;
}

/** A terminal with the colour recorded on it. */
export function TerminalRow({ name, mark, colour, bare, active, onPress }: TerminalRowProps) {
  const t = useTokens();
  return (
    <Tap
      role="radio"
      aria-checked={active}
      aria-label={`${name}, ${colour ? colourName(colour) : bare ? 'nothing there' : 'not recorded'}`}
      onPress={onPress}
      style={[
        styles.row,
        { borderColor: active ? t.copper : t.line, backgroundColor: active ? t.copperSoft : t.card },
        active ? styles.active : null,
      ]}
    >
      <AppText kind="strong" style={styles.name}>
        {mark}
      </AppText>
      {colour ? <Swatch colour={colour} /> : <AppText color={t.mute}>{bare ? 'nothing' : '–'}</AppText>}
    </Tap>
  );
}

const styles = sheet({
  row: {
    minHeight: 48,
    flexGrow: 1,
    flexBasis: '46%',
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    paddingHorizontal: 12,
    borderWidth: 1.5,
    borderRadius: 8,
  },
  // Thicker, for in bright sun the ground is white either way.
  active: { borderWidth: 3.5, paddingHorizontal: 10 },
  name: { flex: 1 },
});
