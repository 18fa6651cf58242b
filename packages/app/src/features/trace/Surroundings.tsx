import { View } from 'react-native';
import type { Circuit, Device } from '@zygostat/core/circuit';
import { marksOf } from '@zygostat/core/circuit';
import type { Face } from '@zygostat/core/devices';
import { ActionButton, AppText } from '../../basics';
import { useAppDispatch, useAppSelector, useAppStore } from '../../store';
import { benchRunnerOf } from '../bench/useBenchRunner';
import { sheetOpened } from './slice';
import { sheet } from '../../theme';

/** What stands around the circuit and is wired to nothing: it has no studs to tap. */
const unwired = ({ devices }: Circuit): Device[] => devices.filter((device) => marksOf(device).length === 0);

/** What is to be seen of it, where it is not as it should be. */
export const troubles = (circuit: Circuit, faces: Readonly<Record<string, Face>> | undefined): string[] =>
  unwired(circuit).flatMap(({ id, label }) => {
    const face = faces?.[id];
    return face && face.tone !== 'ok' ? [`${label} ${face.text}`] : [];
  });

const SPANS = [
  ['10 min', 600],
  ['1 h', 3600],
  ['8 h', 28_800],
] as const;

/** Pans and drains, and hours in which nobody looks. */
export function Surroundings({ circuit }: { circuit: Circuit }) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const faces = useAppSelector(({ bench }) => bench.view?.faces);
  const around = unwired(circuit);
  if (around.length === 0) return null;
  return (
    <View style={styles.group}>
      {around.map(({ id, label }) => (
        <ActionButton
          key={id}
          label={`${label}: ${faces?.[id]?.text ?? '–'}`}
          hint={`${label}: ${faces?.[id]?.text ?? ''}. Hold or change it`}
          onPress={() => dispatch(sheetOpened({ type: 'device', device: id }))}
        />
      ))}
      <View role="group" aria-label="Let time pass" style={styles.group}>
        <AppText kind="small">Let time pass</AppText>
        <View style={styles.row}>
          {SPANS.map(([label, seconds]) => (
            <ActionButton
              key={label}
              label={label}
              hint={`Let ${label} pass`}
              onPress={() => void benchRunnerOf(store).run(seconds)}
              style={styles.span}
            />
          ))}
        </View>
      </View>
    </View>
  );
}

const styles = sheet({
  group: { gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  span: { flexGrow: 1 },
});
