import { memo } from 'react';
import { View } from 'react-native';
import type { Face } from '@zygostat/core/devices';
import type { Plate } from '@zygostat/core/drawing';
import { LOOM } from '@zygostat/core/drawing';
import { sheet, useTokens } from '../../theme';
import { AppText, Tap } from '../../basics';
import { OFF_TAB } from './arrows';
import { toneInk } from './inks';

interface PlateButtonProps {
  plate: Plate;
  station: string;
  /** What is seen on it, in a word, and how it stands. */
  state: string | undefined;
  tone: Face['tone'] | undefined;
  /** A switch or breaker: a tap operates it where it stands. */
  operable: boolean;
  onTap: (device: string) => void;
}

/** The name plate beside a row of blocks, with what is seen on the device; a tap opens it, or operates a switch. */
export const PlateButton = memo(function PlateButton({
  plate,
  station,
  state,
  tone = 'ok',
  operable,
  onTap,
}: PlateButtonProps) {
  const t = useTokens();
  const ink = toneInk(t, tone);
  const name = `${plate.label}, ${station}${plate.line ? ', line voltage' : ''}${state ? `, ${state}` : ''}`;
  return (
    <Tap
      {...OFF_TAB}
      {...(operable ? { role: 'switch', 'aria-checked': tone === 'ok' } : { role: 'button' })}
      aria-label={name}
      testID={`plate-${plate.device}${plate.line ? '-line' : ''}`}
      onPress={() => onTap(plate.device)}
      style={[
        styles.plate,
        { left: plate.x, top: plate.y, width: plate.width, height: plate.height },
        operable ? [styles.operable, { left: plate.x + 4, width: plate.width - 8, borderColor: ink }] : null,
      ]}
    >
      {plate.lines.map((line, i) => (
        <AppText key={i} kind="mark" lines={1} style={styles.label}>
          {line}
        </AppText>
      ))}
      <View style={styles.notes}>
        {plate.line ? (
          <AppText kind="figure" color={t.red} lines={1} style={styles.note}>
            {operable ? 'line' : 'line volts'}
          </AppText>
        ) : null}
        {state && (operable || !plate.line) ? (
          <AppText kind="figure" color={ink} lines={1} style={styles.note}>
            {state}
          </AppText>
        ) : null}
      </View>
    </Tap>
  );
});

const styles = sheet({
  plate: { position: 'absolute', paddingLeft: 6, paddingRight: 0, justifyContent: 'center' },
  operable: { borderWidth: 1.5, borderRadius: 12, paddingLeft: 5 },
  label: { fontSize: LOOM.plate.type, lineHeight: LOOM.plate.line },
  notes: { flexDirection: 'row', gap: 8 },
  note: { fontSize: 14.5, lineHeight: 17 },
});
