import { useState } from 'react';
import { View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import type { Plan, Step } from '@zygostat/core/wire';
import { isGate } from '@zygostat/core/wire';
import { sheet, useTokens } from '../../theme';
import { useHand } from '../settings/useHand';
import { ActionButton, AppText } from '../../basics';
import { Aloud, useReadAloud } from '../aloud/Aloud';
import { GOAL, useFocusNext } from '../../basics/focus';
import { Writer } from '../record/Writer';
import { useWriterName } from '../record/writer-name';
import { StepFacts } from './StepFacts';

interface NextStepProps {
  step: Step;
  text: string;
  place: string;
  plan: Pick<Plan, 'before' | 'after'>;
  onDone: (volts?: number) => void;
  onDiffers: () => void;
}

interface DeadReadingProps {
  mostVolts: number;
  isNamed: boolean;
  onDone: (volts: number) => void;
}

/** The reading that proves it dead: nothing else may be done before it is taken. */
function DeadReading({ mostVolts, isNamed, onDone }: DeadReadingProps) {
  const [typed, setTyped] = useState('');
  const volts = Number(typed.replace(',', '.'));
  const given = typed.trim() !== '';
  const problem = !given
    ? undefined
    : !Number.isFinite(volts) || volts < 0 || volts > 1000
      ? 'The reading must be volts from 0 to 1000.'
      : volts > mostVolts
        ? `${typed} V is not dead. Stop: find what still feeds it and open that too.`
        : undefined;
  return (
    <View>
      <TextInput
        mode="outlined"
        label="Reading, V"
        aria-label="Reading, V"
        inputMode="decimal"
        value={typed}
        onChangeText={setTyped}
        error={problem !== undefined}
      />
      <HelperText type={problem ? 'error' : 'info'} visible>
        {problem ?? `Dead is ${mostVolts} V or less.`}
      </HelperText>
      <ActionButton
        label="It is dead"
        look="filled"
        disabled={!given || !isNamed || problem !== undefined}
        onPress={() => onDone(volts)}
      />
    </View>
  );
}

const POWER_CAUTION =
  'Capacitors hold charge after the power is off; line voltage and 24 V share compartments. What is not yours to open belongs to who is licensed for it.';

/** The one thing to do now. */
export function NextStep({ step, text, place, plan, onDone, onDiffers }: NextStepProps) {
  const t = useTokens();
  const goal = useFocusNext(step.id);
  const hand = useHand();
  const { isRead } = useReadAloud();
  const caution = step.kind === 'off' ? POWER_CAUTION : '';
  const name = useWriterName();
  // A lock belongs to somebody: it has a name.
  const [asksName] = useState(() => name === '' && isGate(step));
  const isNamed = name !== '' || !isGate(step);
  return (
    <View
      ref={goal}
      {...GOAL}
      role="region"
      aria-label="Next step"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}
    >
      <AppText kind="small">{`Next, at ${place}`}</AppText>
      <View aria-live="polite">
        <AppText kind="title" heading={2}>
          {text}
        </AppText>
      </View>
      <StepFacts step={step} plan={plan} />
      {caution ? (
        <AppText kind="small" color={t.amber}>
          {caution}
        </AppText>
      ) : null}
      {asksName ? (
        <>
          <AppText kind="small">Your name goes with the lock. Enter it once on this device.</AppText>
          <Writer />
        </>
      ) : null}
      {step.kind === 'dead' ? (
        <DeadReading key={step.id} mostVolts={step.mostVolts ?? 1} isNamed={isNamed} onDone={onDone} />
      ) : (
        <View style={[styles.row, hand]}>
          {isRead ? null : (
            <ActionButton
              label="Done"
              look="filled"
              disabled={!isNamed}
              onPress={() => onDone()}
              style={styles.grow}
            />
          )}
          {step.conductor ? (
            <ActionButton label="Not as planned" onPress={onDiffers} style={styles.grow} />
          ) : null}
        </View>
      )}
      <Aloud
        text={`At ${place}: ${text}. ${caution}`}
        {...(step.kind !== 'dead' && isNamed && { onDone: () => onDone() })}
      />
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 2, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  grow: { flexGrow: 1 },
});
