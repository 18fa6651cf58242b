import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Observation } from '@zygostat/core/diagnose';
import { problemOf } from '../../store/api';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { thermostatsOf } from '../bench/calls';
import { useStartMeterMutation } from './api';

interface PractiseProps {
  circuit: Circuit;
  jobId: string;
  onBegin: (
    meter: string,
    at: { station: string; state: string; observations: readonly Observation[] },
  ) => void;
}

/** A fault hidden by the bench, to be found with its meter. */
export function Practise({ circuit, jobId, onBegin }: PractiseProps) {
  const t = useTokens();
  const [startMeter, { isLoading, error }] = useStartMeterMutation();
  const [stat] = thermostatsOf(circuit);
  const start = async () => {
    const { data: begun } = await startMeter({ job: jobId });
    if (!begun || !stat) return;
    const { state, seen } = begun.complaint ?? { state: 'cool', seen: [] };
    onBegin(begun.id, { station: stat.station, state, observations: seen });
  };
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong">Practise</AppText>
      <AppText kind="small">
        The app hides a fault in a copy of this circuit, with a practice meter to find it. Nothing of it is
        saved to the job.
      </AppText>
      <ActionButton label="Hide a fault" disabled={isLoading || !stat} onPress={() => void start()} />
      {error ? <AppText color={t.red}>{problemOf(error).detail}</AppText> : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8 },
});
