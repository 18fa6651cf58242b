import { ScrollView, View } from 'react-native';
import type { Diagnosis } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { observationText } from '@zygostat/core/words';
import { ActionButton } from '../../basics';
import { sheet } from '../../theme';

interface SeenProps {
  diagnosis: Diagnosis;
  stale: readonly string[];
  names: Names;
  onWithdraw: (ids: readonly string[]) => void;
}

/** What was seen so far; a tap takes it back. */
export function Seen({ diagnosis, stale, names, onWithdraw }: SeenProps) {
  return (
    <ScrollView horizontal role="list" aria-label="Observed" contentContainerStyle={styles.row}>
      {diagnosis.observed
        .filter(({ observation }) => observation.type !== 'runs')
        .map(({ id, observation }) => {
          const gone = stale.includes(id);
          const text = gone ? 'Of what is no more' : observationText(names, observation);
          // What ran with a call was seen together with what came out.
          const together =
            observation.type === 'air'
              ? diagnosis.observed
                  .filter(
                    (other) =>
                      other.observation.type === 'runs' && other.observation.state === observation.state,
                  )
                  .map((other) => other.id)
              : [];
          return (
            <View key={id} role="listitem">
              <ActionButton
                label={text}
                hint={`Take back: ${text}`}
                icon="close"
                onPress={() => onWithdraw([id, ...together])}
              />
            </View>
          );
        })}
    </ScrollView>
  );
}

const styles = sheet({ row: { flexDirection: 'row', gap: 8 } });
