import { useState } from 'react';
import { View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import type { Proposal, Step } from '@zygostat/core/diagnose';
import { OPEN_OHMS } from '@zygostat/core/diagnose';
import { ActionButton } from '../../basics';
import { sheet } from '../../theme';

/** Figures this far from every answer expected are asked for once more: share, and in the unit. */
const FAR_SHARE = 0.25;
const SHARE_OF_OHMS = 0.6;

interface Scale {
  unit: 'V' | 'Ω' | 'A';
  most: number;
  far: number;
}

/** What is read in a step, if it is a figure. */
export function scaleOf(step: Step): Scale | null {
  if (step.type === 'clamp') return { unit: 'A', most: 600, far: 0.5 };
  if (step.type !== 'reading') return null;
  return step.mode === 'ohms' ? { unit: 'Ω', most: 40e6, far: 5 } : { unit: 'V', most: 1000, far: 3 };
}

interface FigureProps {
  proposal: Proposal;
  scale: Scale;
  onHold: (figure: number) => void;
}

/** What a meter showed, typed in; one that no answer comes near is asked for twice. */
export function Figure({ proposal, scale: { unit, most, far }, onHold }: FigureProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  const [doubted, setDoubted] = useState<number | null>(null);
  const hold = () => {
    const figure = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(figure) || figure < 0 || figure > most)
      return setProblem(`A figure from 0 to ${most}, as your meter shows it, in ${unit}`);
    weigh(figure, `${figure} ${unit}`);
  };
  const weigh = (figure: number, shown: string) => {
    const share = unit === 'Ω' ? SHARE_OF_OHMS : FAR_SHARE;
    const near = proposal.choices.some(
      ({ value }) =>
        Number(value) >= OPEN_OHMS === figure >= OPEN_OHMS &&
        Math.abs(Number(value) - figure) <= far + share * Number(value),
    );
    if (!near && doubted !== figure) {
      setDoubted(figure);
      return setProblem(`${shown} is not what any likely fault gives here. Read it again, then hold it.`);
    }
    onHold(figure);
  };
  return (
    <View>
      <View style={styles.row}>
        <TextInput
          mode="outlined"
          label={`or what you read, ${unit}`}
          aria-label={`What you read, ${unit}`}
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
        {unit === 'Ω' ? (
          <ActionButton label="OL" hint="OL: open loop" onPress={() => weigh(OPEN_OHMS, 'OL')} />
        ) : null}
        <ActionButton label="Hold" look="filled" onPress={hold} style={styles.hold} />
      </View>
      <HelperText type="error" visible={problem !== ''}>
        {problem}
      </HelperText>
    </View>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', gap: 8, alignItems: 'center', flexWrap: 'wrap' },
  grow: { flex: 1 },
  hold: { minWidth: 88 },
});
