import { View } from 'react-native';
import type { ColourCode } from '@zygostat/core/standards';
import { COLOURS, colourName } from '@zygostat/core/standards';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Tap } from '../../basics';

interface PaletteProps {
  colours: readonly ColourCode[];
  chosen: ColourCode | null;
  onPick: (colour: ColourCode | null) => void;
  /** Label of the button for no conductor at all. */
  none?: string;
  noneChosen?: boolean;
}

/** The colours a conductor may have, by swatch and IEC 60757 code. */
export function Palette({ colours, chosen, onPick, none, noneChosen }: PaletteProps) {
  const t = useTokens();
  return (
    <View style={styles.palette} role="group" aria-label="Colours">
      {colours.map((code) => (
        <Tap
          key={code}
          role="button"
          aria-label={`${colourName(code)}, ${code}`}
          aria-pressed={code === chosen}
          onPress={() => onPick(code)}
          style={[
            styles.colour,
            { borderColor: code === chosen ? t.copper : t.line, backgroundColor: t.card },
            code === chosen ? styles.chosen : null,
          ]}
        >
          <View style={[styles.swatch, { backgroundColor: COLOURS[code].hex, borderColor: t.mute }]} />
          <AppText kind="figure">{code}</AppText>
        </Tap>
      ))}
      {none ? (
        <ActionButton
          label={none}
          {...(noneChosen !== undefined && { pressed: noneChosen })}
          onPress={() => onPick(null)}
          style={styles.none}
        />
      ) : null}
    </View>
  );
}

const styles = sheet({
  palette: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  colour: {
    width: 50,
    height: 56,
    borderWidth: 2,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
    gap: 2,
  },
  // By its thickness too, for whoever does not see the colour.
  chosen: { borderWidth: 4 },
  swatch: { width: 32, height: 18, borderRadius: 4, borderWidth: 1 },
  none: { minHeight: 56, flexGrow: 0 },
});
