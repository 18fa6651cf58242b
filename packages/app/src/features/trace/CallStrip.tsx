import { memo } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Call } from '../bench/calls';
import { activeCalls, setPointOf } from '../bench/calls';
import { WARM_HEATING_LIMIT_C, celsiusToFahrenheit } from '@zygostat/core/standards';
import type { Units } from '@zygostat/core/words';
import { showTemperature } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheetOpened } from './slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Tap } from '../../basics';
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

/** Without its unit, which stands once beside it. */
const bare = (celsius: number, unit: Units['temperature']) =>
  Math.round(unit === 'C' ? celsius : celsiusToFahrenheit(celsius));

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
  const warm = active.has('heat') && outdoorC > WARM_HEATING_LIMIT_C;
  return (
    <View style={[styles.strip, { backgroundColor: t.card, borderColor: t.line }]}>
      {around.length > 0 ? (
        <AppText kind="strong" color={t.red}>
          {around.join(', ')}
        </AppText>
      ) : null}
      {warm ? (
        <AppText kind="small" color={t.amber}>
          {`Heat is called at ${showTemperature(outdoorC, unit)} outdoors: is that the season meant?`}
        </AppText>
      ) : null}
      <View style={styles.calls}>
        <View style={styles.group} role="group" aria-label="Calls">
          {CALLS.map(([call, label]) => (
            <CallButton key={call} call={call} label={label} pressed={active.has(call)} actions={actions} />
          ))}
        </View>
        <Tap
          role="button"
          aria-label={`in ${bare(indoorC, unit)}${setC === null ? '' : ` set ${bare(setC, unit)}`}, out ${showTemperature(outdoorC, unit)}. Change temperatures and set point${around.map((trouble) => `. ${trouble}`).join('')}`}
          testID="conditions"
          onPress={() => dispatch(sheetOpened({ type: 'conditions' }))}
          style={[styles.conditions, { borderColor: around.length > 0 ? t.red : t.line }]}
        >
          <AppText kind="figure" lines={1}>
            in {bare(indoorC, unit)}
            {setC === null ? '' : ` set ${bare(setC, unit)}`}
          </AppText>
          <AppText kind="figure" lines={1}>
            out {showTemperature(outdoorC, unit)}
          </AppText>
        </Tap>
      </View>
    </View>
  );
}

const styles = sheet({
  strip: { paddingHorizontal: 12, paddingVertical: 6, borderTopWidth: 1 },
  // In a narrow column the conditions go below the calls.
  calls: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  group: { flexGrow: 6, flexBasis: 200, flexDirection: 'row', gap: 8 },
  call: { flex: 1, minHeight: 48, paddingHorizontal: 4 },
  conditions: {
    minHeight: 48,
    flexGrow: 1,
    maxWidth: 260,
    paddingHorizontal: 6,
    borderWidth: 1,
    borderRadius: 10,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
