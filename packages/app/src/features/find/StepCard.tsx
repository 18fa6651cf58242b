import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Observation, Proposal, Step } from '@zygostat/core/diagnose';
import { OPEN_OHMS } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { choiceText, failureText, percentText, stepCaution, stepText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Tap } from '../../basics';
import { Aloud } from '../aloud/Aloud';
import { GOAL, useFocusNext } from '../../basics/focus';
import { BenchAnswer } from './BenchAnswer';
import { CableCard } from './CableCard';
import { Figure, scaleOf } from './Figure';
import { PartFigures } from './PartFigures';

interface AnswerProps {
  text: string;
  share: number;
  /** What it would mean, the likeliest first. */
  meaning: readonly string[];
  /** Everything it would mean is said, not the first alone. */
  whole: boolean;
  onPress: () => void;
}

/** An answer, how likely it is, and what it would mean. */
function Answer({ text, share, meaning, whole, onPress }: AnswerProps) {
  const t = useTokens();
  const means = whole ? meaning.join(', ') : (meaning[0] ?? '');
  return (
    <Tap
      role="button"
      aria-label={text}
      onPress={onPress}
      style={[styles.answer, { backgroundColor: t.paper, borderColor: t.line }]}
    >
      <AppText kind="strong">{text}</AppText>
      <AppText kind="small">
        {means === text ? percentText(share) : `${percentText(share)}: ${means}`}
      </AppText>
    </Tap>
  );
}

/** The observation a figure makes: that of any answer, with the figure in it. */
function withFigure({ choices }: Proposal, figure: number): Observation[] {
  const [first] = choices[0]!.observed;
  if (first?.type === 'reading') return [{ ...first, value: figure >= OPEN_OHMS ? 'open' : figure }];
  return first?.type === 'clamp' ? [{ ...first, amps: figure }] : [];
}

interface StepCardProps {
  proposal: Proposal;
  /** The other steps that would do. */
  others: number;
  circuit: Circuit;
  names: Names;
  /** A bench meter that answers, while practising. */
  meter: string | null;
  title?: string;
  onAnswer: (step: Step, observed: readonly Observation[]) => void;
  onSkip: () => void;
}

/** The one thing to do next, each answer with what it would mean. */
export function StepCard(props: StepCardProps) {
  const { proposal, others, circuit, names, meter, title = 'Next', onAnswer, onSkip } = props;
  const t = useTokens();
  const [why, setWhy] = useState(false);
  const goal = useFocusNext(proposal);
  const { step, minutes, choices } = proposal;
  const place = circuit.stations.find(({ id }) => id === step.station)?.name ?? '';
  const caution = stepCaution(step);
  const scale = scaleOf(step);
  const give = (observed: readonly Observation[]) => onAnswer(step, observed);
  return (
    <View
      ref={goal}
      {...GOAL}
      role="region"
      aria-label="Next step"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}
    >
      <AppText kind="small">{`${title} · about ${Math.max(1, Math.round(minutes))} min · ${place}`}</AppText>
      <View aria-live="polite">
        <AppText kind="title" heading={2}>
          {stepText(names, step)}
        </AppText>
      </View>
      <Aloud text={`At ${place}: ${stepText(names, step)}. ${caution}`} />
      {caution ? (
        <AppText kind="small" color={t.amber}>
          {caution}
        </AppText>
      ) : null}
      {meter !== null ? <BenchAnswer meter={meter} proposal={proposal} onAnswer={give} /> : null}
      <View role="group" aria-label="Answers" style={styles.list}>
        {choices.map((choice) => (
          <Answer
            key={String(choice.value)}
            text={choiceText(names, step, choice)}
            share={choice.share}
            meaning={choice.failures.map((failure) => failureText(names, failure))}
            whole={why}
            onPress={() => give(choice.observed)}
          />
        ))}
      </View>
      {scale ? (
        <Figure proposal={proposal} scale={scale} onHold={(figure) => give(withFigure(proposal, figure))} />
      ) : null}
      {step.type === 'test' ? <PartFigures circuit={circuit} device={step.device} /> : null}
      {step.type === 'wires' ? <CableCard cable={step.cable} names={names} onDone={give} /> : null}
      <View style={styles.row}>
        <ActionButton label={why ? 'Hide why' : 'Why this?'} look="plain" onPress={() => setWhy(!why)} />
        {others > 0 ? (
          <ActionButton label={`Another step (${others})`} look="plain" onPress={onSkip} />
        ) : null}
      </View>
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  list: { gap: 8 },
  answer: { minHeight: 52, borderWidth: 1, borderRadius: 10, paddingHorizontal: 12, paddingVertical: 6 },
  row: { flexDirection: 'row', gap: 8, alignItems: 'center', flexWrap: 'wrap' },
});
