import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Call } from '../bench/calls';
import { activeCalls, setPointOf } from '../bench/calls';
import { showTemperature } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheetOpened } from './slice';
import { useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { ActionButton, AppText } from '../../basics';
import { troubles } from './Surroundings';
import type { TraceActions } from './useTraceActions';

const CALLS: readonly (readonly [Call, string])[] = [
  ['off', 'Off'],
  ['fan', 'Fan'],
  ['heat', 'Heat'],
  ['cool', 'Cool'],
];

interface CallButtonProps {
  call: Call;
  label: string;
  pressed: boolean;
  actions: TraceActions;
}

/** One call; only those that change are drawn again. */
const CallButton = memo(function CallButton({ call, label, pressed, actions }: CallButtonProps) {
  return (
    <ActionButton
      label={label}
      hint={`Call: ${label}`}
      pressed={pressed}
      onPress={() => actions.call(call)}
      style={styles.call}
    />
  );
});

/** The calls in the thumb's reach, and the air that decides whether they are calls at all. */
export function CallStrip({ circuit, actions }: { circuit: Circuit; actions: TraceActions }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  const unit = useAppSelector(({ settings }) => settings.temperature);
  const active = activeCalls(circuit, inputs);
  const setC = setPointOf(circuit, inputs);
  const { indoorC, outdoorC } = inputs.conditions;
  const faces = useAppSelector(({ bench }) => bench.view?.faces);
  const around = troubles(circuit, faces);
  return (
    <View style={[styles.strip, { backgroundColor: t.card, borderColor: t.line }]}>
      <View style={styles.calls} role="group" aria-label="Calls">
        {CALLS.map(([call, label]) => (
          <CallButton key={call} call={call} label={label} pressed={active.has(call)} actions={actions} />
        ))}
      </View>
      <Pressable
        role="button"
        aria-label="Change temperatures and set point"
        onPress={() => dispatch(sheetOpened({ type: 'conditions' }))}
        style={styles.conditions}
      >
        <AppText kind="small" lines={1} color={around.length > 0 ? t.red : undefined}>
          {around.length > 0 ? `${around.join(', ')} · ` : ''}Indoor {showTemperature(indoorC, unit)}
          {setC === null ? '' : ` · set ${showTemperature(setC, unit)}`} · outdoor{' '}
          {showTemperature(outdoorC, unit)}
        </AppText>
        <Icon name="chevron-right" size={18} color={t.mute} />
      </Pressable>
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { paddingHorizontal: 12, paddingTop: 8, borderTopWidth: 1 },
  calls: { flexDirection: 'row', gap: 8 },
  call: { flex: 1, minHeight: 48 },
  conditions: { minHeight: 44, flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
});
