import { View } from 'react-native';
import type { Plan, Step, Ticked } from '@zygostat/core/wire';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText, Tap } from '../../basics';
import { StepFacts } from './StepFacts';
import { whenText } from '../../basics/when';

interface StepRowProps {
  step: Step;
  text: string;
  plan: Pick<Plan, 'before' | 'after'>;
  done: Ticked | undefined;
  /** Everything it waits for is done. */
  ready: boolean;
  onTick: () => void;
}

/** Who did it and when, and what was read. */
const doneText = ({ by, at, volts }: Ticked): string =>
  [by, whenText(at), volts === undefined ? '' : `read ${volts} V`].filter((part) => part !== '').join(', ');

/** One step of the list, ticked as it is done; a step whose gate is not passed cannot be. */
export function StepRow({ step, text, plan, done, ready, onTick }: StepRowProps) {
  const t = useTokens();
  const open = ready || done !== undefined;
  // A reading proves it dead: that is taken on the card of the next step, not ticked here.
  const tickable = open && (step.kind !== 'dead' || done !== undefined);
  return (
    <Tap
      role="checkbox"
      aria-checked={done !== undefined}
      aria-label={text}
      disabled={!tickable}
      onPress={onTick}
      style={[styles.row, { borderColor: t.line }]}
    >
      <Icon
        name={done ? 'checked' : 'unchecked'}
        size={26}
        color={done ? t.teal : open ? t.copper : t.mute}
      />
      <View style={styles.text}>
        <AppText {...(done && { color: t.mute })}>{text}</AppText>
        {done ? <AppText kind="small">{doneText(done)}</AppText> : <StepFacts step={step} plan={plan} />}
      </View>
    </Tap>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', gap: 10, minHeight: 48, paddingVertical: 8, borderTopWidth: 1 },
  text: { flex: 1, gap: 2 },
});
