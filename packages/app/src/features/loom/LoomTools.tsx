import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { ActionButton } from '../../basics';
import { sheet } from '../../theme';

interface LoomToolsProps {
  circuit: Circuit;
  /** The place that is looked at alone; `null` for all. */
  place: string | null;
  onPlace: (place: string | null) => void;
  isWhole: boolean;
  onFit: () => void;
  onBack: () => void;
}

/** Under the loom: all of it at once and back, and one place of it alone. */
export function LoomTools({ circuit, place, onPlace, isWhole, onFit, onBack }: LoomToolsProps) {
  const used = new Set(circuit.devices.map(({ station }) => station));
  const places = circuit.stations.filter(({ id }) => used.has(id));
  return (
    <View style={styles.tools}>
      <ActionButton
        label={isWhole ? 'Fit all' : 'Actual size'}
        icon="fit"
        onPress={isWhole ? onFit : onBack}
      />
      {places.length > 1 ? (
        <View role="group" aria-label="Place alone" style={styles.places}>
          {places.map(({ id, name }) => (
            <ActionButton
              key={id}
              label={name}
              hint={`Only ${name}`}
              pressed={id === place}
              onPress={() => onPlace(id === place ? null : id)}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}

const styles = sheet({
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, padding: 12 },
  places: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
