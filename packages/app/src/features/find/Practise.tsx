import { useCallback, useEffect } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Observation } from '@zygostat/core/diagnose';
import { useAppDispatch, useAppSelector } from '../../store';
import { problemOf } from '../../store/api';
import { readKept, writeKept } from '../../store/storage';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { thermostatsOf } from '../bench/calls';
import { useStartMeterMutation } from './api';
import { meterHeld } from './slice';

/** Where the id of a practice's meter is kept, so that a page read again goes on with it. */
const keyOf = (jobId: string) => `bench-meter.${jobId}`;

/** Takes a practice up again where the page was read anew; put away it is forgotten. */
export function usePractice(jobId: string): { meter: string | null; leave: () => void } {
  const dispatch = useAppDispatch();
  const meter = useAppSelector(({ find }) => (find.meter?.jobId === jobId ? find.meter.id : null));
  useEffect(() => {
    const id = readKept(keyOf(jobId));
    if (meter === null && typeof id === 'string') dispatch(meterHeld({ jobId, id }));
  }, [dispatch, jobId, meter]);
  const leave = useCallback(() => {
    writeKept(keyOf(jobId), undefined);
    dispatch(meterHeld(null));
  }, [dispatch, jobId]);
  return { meter, leave };
}

interface PractiseProps {
  circuit: Circuit;
  jobId: string;
  onBegin: (station: string, state: string, observations: readonly Observation[]) => void;
}

/** A fault hidden by the bench, to be found with its meter. */
export function Practise({ circuit, jobId, onBegin }: PractiseProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const [startMeter, { isLoading, error }] = useStartMeterMutation();
  const [stat] = thermostatsOf(circuit);
  const start = async () => {
    const { data: begun } = await startMeter({ job: jobId });
    if (!begun || !stat) return;
    dispatch(meterHeld({ jobId, id: begun.id }));
    writeKept(keyOf(jobId), begun.id);
    const { state, seen } = begun.complaint ?? { state: 'cool', seen: [] };
    onBegin(stat.station, state, seen);
  };
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong">Practise</AppText>
      <AppText kind="small">
        The bench hides a fault in this circuit. Its meter is as noisy as yours, and wrong once in a hundred.
      </AppText>
      <ActionButton label="Hide a fault" disabled={isLoading || !stat} onPress={() => void start()} />
      {error ? <AppText color={t.red}>{problemOf(error).detail}</AppText> : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8 },
});
