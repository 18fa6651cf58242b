import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { FindView, Observation, Step } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { StepCard } from './StepCard';

interface DoubtsProps {
  view: FindView;
  circuit: Circuit;
  names: Names;
  meter: string | null;
  /** Two faults at once are looked for already. */
  isPaired: boolean;
  onAnswer: (step: Step, observed: readonly Observation[], instead: readonly string[]) => void;
  onTwo: () => void;
}

/** What does not go with the rest: made again first; and if it stands, two things may be wrong. */
export function Doubts({ view, circuit, names, meter, isPaired, onAnswer, onTwo }: DoubtsProps) {
  const t = useTokens();
  const [{ id, again }] = view.doubtful as [FindView['doubtful'][number]];
  return (
    <>
      <View
        role="region"
        aria-label="Does not fit"
        style={[styles.card, { borderColor: t.amber, backgroundColor: t.amberSoft }]}
      >
        <AppText kind="strong">
          What you found disagrees with itself: no single fault gives all of it. Make this once more.
        </AppText>
        {isPaired ? null : <ActionButton label="It stands: look for two faults at once" onPress={onTwo} />}
      </View>
      <StepCard
        key={id}
        title="Once more"
        proposal={again}
        others={0}
        circuit={circuit}
        names={names}
        meter={meter}
        onAnswer={(step, observed) => onAnswer(step, observed, [id])}
        onSkip={onTwo}
      />
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
});
