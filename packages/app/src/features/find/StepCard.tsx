import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import type { Observation, Proposal, Step } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { choiceText, failureText, stepText } from '@zygostat/core/words';
import { useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

/** A reading this far from every answer expected, share and V, is asked for once more. */
const FAR = { share: 0.25, volts: 3 } as const;

const cautionFor = (step: Step): string => {
  switch (step.type) {
    case 'reading':
      return step.line
        ? 'Line voltage: only for who may work on it here, with the right meter and one hand.'
        : 'Live 24 V. Keep off the line side: it shares this compartment.';
    case 'look':
      return step.line ? 'Power off, locked and proven dead before you touch anything here.' : '';
    case 'test':
    case 'wires':
      return 'Power off, locked and proven dead first. Capacitors hold charge: discharge them.';
    default:
      return '';
  }
};

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
    <Pressable
      role="button"
      aria-label={text}
      onPress={onPress}
      style={[styles.answer, { backgroundColor: t.paper, borderColor: t.line }]}
    >
      <AppText kind="strong">{text}</AppText>
      <AppText kind="small">{`${Math.round(share * 100)} %: ${means}`}</AppText>
    </Pressable>
  );
}

/** What a meter showed, typed in; one that no answer comes near is asked for twice. */
function Figure({ proposal, onHold }: { proposal: Proposal; onHold: (volts: number) => void }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  const [doubted, setDoubted] = useState<number | null>(null);
  const hold = () => {
    const volts = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(volts) || volts < 0 || volts > 1000)
      return setProblem('A figure from 0 to 1000, as your meter shows it, in V');
    const near = proposal.choices.some(
      ({ value }) => Math.abs(Number(value) - volts) <= FAR.volts + FAR.share * Number(value),
    );
    if (!near && doubted !== volts) {
      setDoubted(volts);
      return setProblem(`${volts} V is not what any likely fault gives here. Read it again, then hold it.`);
    }
    onHold(volts);
  };
  return (
    <View>
      <View style={styles.row}>
        <TextInput
          mode="outlined"
          label="or what you read, V"
          aria-label="What you read, V"
          value={text}
          onChangeText={(now) => {
            setText(now);
            setProblem('');
          }}
          onSubmitEditing={hold}
          inputMode="decimal"
          error={problem !== ''}
          style={styles.grow}
        />
        <ActionButton label="Hold" look="filled" onPress={hold} style={styles.hold} />
      </View>
      <HelperText type="error" visible={problem !== ''}>
        {problem}
      </HelperText>
    </View>
  );
}

interface StepCardProps {
  proposal: Proposal;
  /** The other steps that would do. */
  others: readonly Proposal[];
  circuit: Circuit;
  names: Names;
  onAnswer: (step: Step, observed: readonly Observation[]) => void;
  onSkip: () => void;
}

/** The one thing to do next, each answer with what it would mean. */
export function StepCard({ proposal, others, circuit, names, onAnswer, onSkip }: StepCardProps) {
  const t = useTokens();
  const [why, setWhy] = useState(false);
  const { step, minutes, choices } = proposal;
  const place = circuit.stations.find(({ id }) => id === step.station)?.name ?? '';
  const caution = cautionFor(step);
  return (
    <View
      role="region"
      aria-label="Next step"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}
    >
      <AppText kind="small">{`Next · about ${Math.max(1, Math.round(minutes))} min · ${place}`}</AppText>
      <AppText kind="title" heading={2}>
        {stepText(names, step)}
      </AppText>
      {caution ? (
        <AppText kind="small" color={t.amber}>
          {caution}
        </AppText>
      ) : null}
      <View role="group" aria-label="Answers" style={styles.list}>
        {choices.map((choice) => (
          <Answer
            key={String(choice.value)}
            text={choiceText(names, step, choice)}
            share={choice.share}
            meaning={choice.failures.map((failure) => failureText(names, failure))}
            whole={why}
            onPress={() => onAnswer(step, choice.observed)}
          />
        ))}
      </View>
      {step.type === 'reading' ? (
        <Figure
          key={`${step.red} ${step.black} ${step.state}`}
          proposal={proposal}
          onHold={(value) => {
            const [first] = choices[0]!.observed;
            if (first?.type === 'reading') onAnswer(step, [{ ...first, value }]);
          }}
        />
      ) : null}
      <View style={styles.row}>
        <ActionButton label={why ? 'Hide why' : 'Why this?'} look="plain" onPress={() => setWhy(!why)} />
        {others.length > 0 ? (
          <ActionButton label={`Another step (${others.length})`} look="plain" onPress={onSkip} />
        ) : null}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  list: { gap: 6 },
  answer: { minHeight: 52, borderWidth: 1, borderRadius: 10, paddingHorizontal: 12, paddingVertical: 6 },
  row: { flexDirection: 'row', gap: 8, alignItems: 'center', flexWrap: 'wrap' },
  grow: { flex: 1 },
  hold: { minWidth: 88 },
});
