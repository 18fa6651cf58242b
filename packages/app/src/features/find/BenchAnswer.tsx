import { View } from 'react-native';
import type { Observation, Proposal, Step } from '@zygostat/core/diagnose';
import { showQuantity } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import type { Asked, Probing } from './api';
import { useObserveMutation } from './api';
import type { Shown } from './useBenchMeter';
import { useBenchMeter } from './useBenchMeter';

const probingOf = (step: Step): Probing | null =>
  step.type === 'reading' ? { state: step.state, mode: step.mode, red: step.red, black: step.black } : null;

/** A step as a bench meter is asked it. */
const askedOf = (step: Step): Asked => ({
  type: step.type,
  ...('state' in step && { state: step.state }),
  ...('device' in step && { device: step.device }),
  ...('cable' in step && { cable: step.cable.id }),
  ...('conductor' in step && { conductor: step.conductor }),
});

function display(shown: Shown, ohms: boolean): string {
  if (shown === null) return '– –';
  if (shown === 'misused') return 'Live: not in ohms';
  const { figure, unit } = showQuantity(shown === 'open' ? Infinity : shown, ohms ? 'Ω' : 'V');
  return `${figure} ${unit}`;
}

interface BenchAnswerProps {
  meter: string;
  proposal: Proposal;
  onAnswer: (observed: readonly Observation[]) => void;
}

/** While practising the bench answers: the meter's figure as it comes, or what is to be seen there. */
export function BenchAnswer({ meter, proposal, onAnswer }: BenchAnswerProps) {
  const t = useTokens();
  const { step, choices } = proposal;
  const probing = probingOf(step);
  const { shown, lost } = useBenchMeter(meter, probing);
  const [observe, { isLoading, error }] = useObserveMutation();
  const see = async () => {
    const { data } = await observe({ meter, asked: askedOf(step) });
    if (data) onAnswer(data.observed);
  };
  const hold = () => {
    const [first] = choices[0]!.observed;
    if (first?.type === 'reading' && (typeof shown === 'number' || shown === 'open'))
      onAnswer([{ ...first, value: shown }]);
  };
  return (
    <View
      role="group"
      aria-label="Bench meter"
      style={[styles.bench, { backgroundColor: t.paper, borderColor: t.line }]}
    >
      {probing ? (
        <>
          <AppText kind="figure" style={styles.figure}>
            {display(shown, probing.mode === 'ohms')}
          </AppText>
          <ActionButton
            label="Hold this"
            look="filled"
            disabled={shown === null || shown === 'misused'}
            onPress={hold}
          />
        </>
      ) : (
        <ActionButton
          label="See for yourself"
          look="filled"
          disabled={isLoading}
          onPress={() => void see()}
        />
      )}
      {lost || error ? (
        <AppText kind="small" color={t.red}>
          The bench does not answer. It is tried again; a figure can be typed in meanwhile.
        </AppText>
      ) : null}
    </View>
  );
}

const styles = sheet({
  bench: { borderWidth: 1, borderRadius: 10, padding: 10, gap: 8 },
  figure: { fontSize: 28, lineHeight: 34, textAlign: 'center' },
});
