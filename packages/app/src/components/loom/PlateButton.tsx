import { memo } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import type { Face } from '@zygostat/core/devices';
import type { Plate } from '@zygostat/core/drawing';
import { useTokens } from '../../theme';
import { Words } from '../basics';

interface PlateButtonProps {
  plate: Plate;
  station: string;
  /** What is seen on it, in a word, and how it stands. */
  state: string | undefined;
  tone: Face['tone'] | undefined;
  onTap: (device: string) => void;
}

/** The name plate beside a row of blocks, with what is seen on the device; a tap opens it. */
export const PlateButton = memo(function PlateButton({
  plate,
  station,
  state,
  tone = 'ok',
  onTap,
}: PlateButtonProps) {
  const t = useTokens();
  const ink = { ok: t.teal, off: t.mute, tripped: t.red, busy: t.amber }[tone];
  return (
    <Pressable
      role="button"
      aria-label={`${plate.label}, ${station}${plate.line ? ', line voltage' : ''}${state ? `, ${state}` : ''}`}
      testID={`plate-${plate.device}${plate.line ? '-line' : ''}`}
      onPress={() => onTap(plate.device)}
      style={[styles.plate, { left: plate.x, top: plate.y, width: plate.width, height: plate.height }]}
    >
      <Words kind="mark" lines={2} style={styles.label}>
        {plate.label}
      </Words>
      {plate.line ? (
        <Words kind="figure" color={t.red} lines={1} style={styles.note}>
          line volts
        </Words>
      ) : state ? (
        <Words kind="figure" color={ink} lines={1} style={styles.note}>
          {state}
        </Words>
      ) : null}
    </Pressable>
  );
});

const styles = StyleSheet.create({
  plate: { position: 'absolute', paddingLeft: 8, paddingRight: 0, justifyContent: 'center' },
  label: { fontSize: 16.5, lineHeight: 19 },
  note: { fontSize: 14.5, lineHeight: 17 },
});
