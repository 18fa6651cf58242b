import { View } from 'react-native';
import type { Done, Plan, Step } from '@zygostat/core/wire';
import { format } from 'date-fns/format';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText, Tap } from '../../basics';
import { StepFacts } from './StepFacts';

interface StepRowProps {
  step: Step;
  text: string;
  plan: Pick<Plan, 'before' | 'after'>;
  done: Done | undefined;
  /** Everything it waits for is done. */
  ready: boolean;
  onTick: () => void;
}

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
        {done ? (
          <AppText kind="small">
            {`${format(new Date(done.at), 'HH:mm')}${done.volts === undefined ? '' : `, read ${done.volts} V`}`}
          </AppText>
        ) : (
          <StepFacts step={step} plan={plan} />
        )}
      </View>
    </Tap>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', gap: 10, minHeight: 48, paddingVertical: 8, borderTopWidth: 1 },
  text: { flex: 1, gap: 2 },
});
