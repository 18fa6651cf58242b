import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { COLD_COOLING_LIMIT_C, celsiusToFahrenheit, fahrenheitToCelsius } from '@zygostat/core/standards';
import { activeCalls, setPointOf, thermostatsOf } from '../bench/calls';
import { showTemperature } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { conditionsSet, supplySet } from '../bench/slice';
import { sheetOpened } from './slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, BottomSheet, Options, AppText } from '../../basics';
import { Surroundings } from './Surroundings';
import type { TraceActions } from './useTraceActions';

interface StepperProps {
  label: string;
  celsius: number;
  low: number;
  high: number;
  onChange: (celsius: number) => void;
}

/** A temperature in whole degrees; a tap is two of °F or one of °C. */
function Stepper({ label, celsius, low, high, onChange }: StepperProps) {
  const unit = useAppSelector(({ settings }) => settings.temperature);
  const size = unit === 'C' ? 1 : 2;
  const step = (degrees: number) => {
    const next =
      unit === 'C'
        ? Math.round(celsius) + degrees
        : fahrenheitToCelsius(Math.round(celsiusToFahrenheit(celsius)) + degrees);
    onChange(Math.min(high, Math.max(low, next)));
  };
  return (
    <View style={styles.stepper} role="group" aria-label={label}>
      <AppText style={styles.label}>{label}</AppText>
      <ActionButton label={`−${size}`} hint={`${label} down`} onPress={() => step(-size)} />
      <AppText kind="mark" style={styles.value}>
        {showTemperature(celsius, unit)}
      </AppText>
      <ActionButton label={`+${size}`} hint={`${label} up`} onPress={() => step(size)} />
    </View>
  );
}

/** A season as the air indoors and out, °C. */
const SEASONS = {
  Summer: { indoorC: 25.6, outdoorC: 31.1 },
  Mild: { indoorC: 21.1, outdoorC: 15.6 },
  Winter: { indoorC: 18.3, outdoorC: -3.9 },
} as const;

const SUPPLIES = { '0.9': '10 % low', '1': 'Nominal', '1.1': '10 % high' } as const;
type Supply = keyof typeof SUPPLIES;

/** The air indoors and out, and the set point: what decides whether a mode is a call; and the mains. */
export function ConditionsSheet({ circuit, actions }: { circuit: Circuit; actions: TraceActions }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  const { indoorC, outdoorC } = inputs.conditions;
  const setC = setPointOf(circuit, inputs);
  const unit = useAppSelector(({ settings }) => settings.temperature);
  const stats = thermostatsOf(circuit);
  const supply = useAppSelector(({ bench }) => bench.supply);
  const cold = activeCalls(circuit, inputs).has('cool') && outdoorC < COLD_COOLING_LIMIT_C;
  return (
    <BottomSheet title="Around the circuit" onClose={() => dispatch(sheetOpened(null))}>
      <View style={styles.stepper} role="group" aria-label="Season">
        {Object.entries(SEASONS).map(([season, air]) => (
          <ActionButton
            key={season}
            label={season}
            pressed={air.indoorC === indoorC && air.outdoorC === outdoorC}
            onPress={() => dispatch(conditionsSet(air))}
            style={styles.label}
          />
        ))}
      </View>
      <Stepper
        label="Indoor"
        celsius={indoorC}
        low={-10}
        high={50}
        onChange={(value) => dispatch(conditionsSet({ indoorC: value }))}
      />
      {setC === null ? null : (
        <Stepper
          label="Set point"
          celsius={setC}
          low={4}
          high={35}
          onChange={(value) => stats.forEach(({ id }) => actions.setControl(id, 'setC', value))}
        />
      )}
      <Stepper
        label="Outdoor"
        celsius={outdoorC}
        low={-40}
        high={55}
        onChange={(value) => dispatch(conditionsSet({ outdoorC: value }))}
      />
      <Options
        label="Mains"
        options={SUPPLIES}
        value={String(supply) as Supply}
        onChange={(share: Supply) => dispatch(supplySet(Number(share)))}
      />
      <Surroundings circuit={circuit} />
      {cold ? (
        <AppText color={t.amber}>
          Below {showTemperature(COLD_COOLING_LIMIT_C, unit)} outdoors a compressor must not run in cooling.
          Prove the 24 V side with the outdoor disconnect open.
        </AppText>
      ) : null}
    </BottomSheet>
  );
}

const styles = sheet({
  stepper: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  label: { flex: 1 },
  value: { width: 76, textAlign: 'center' },
});
