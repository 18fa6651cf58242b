import { useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { setValue } from '@zygostat/core/circuit';
import { airText } from '@zygostat/core/words';
import { ActionButton, AppText, Options } from '../../basics';
import { useAppDispatch, useAppSelector } from '../../store';
import { problemOf } from '../../store/api';
import { told } from '../../store/notice';
import type { TraceActions } from '../trace/useTraceActions';
import type { Air, WirelessLink } from './api';
import { WALLS, useDistances } from './paths';
import { useMakeLinkMutation, usePressPairMutation, useSetAirMutation, useUnpairMutation } from './api';
import { useHeard } from './useAir';
import { sheet } from '../../theme';

const INTERFERENCE = { none: 'None', bursts: 'Bursts', jammed: 'Jammed' } as const;
interface LinkCardProps {
  jobId: string;
  device: string;
  actions: TraceActions;
}

/** What is between the modules of a link, simulated: its pairing button, how far and through how much, what else is in the air. */
export function LinkCard({ jobId, device, actions }: LinkCardProps) {
  const dispatch = useAppDispatch();
  const name = useAppSelector(({ edits }) => edits.present.circuit?.name ?? '');
  const [link, setLink] = useState<WirelessLink | null>(null);
  const [makeLink] = useMakeLinkMutation();
  const [setAir] = useSetAirMutation();
  const [pressPair] = usePressPairMutation();
  const [unpair] = useUnpairMutation();
  const heard = useHeard();
  const distances = useDistances();
  useEffect(() => {
    void makeLink({ id: jobId, name: name || 'Link' }).then(({ data }) => data && setLink(data));
  }, [jobId, name, makeLink]);
  const take = ({ data, error }: { data?: WirelessLink; error?: unknown }) => {
    if (!data) return void dispatch(told(problemOf(error).detail));
    setLink(data);
    heard(data);
    // The number of a pair belongs to the modules: the circuit keeps it.
    for (const [id, { pair }] of Object.entries(data.modules))
      if (pair !== null && pair !== link?.modules[id]?.pair)
        actions.edit(`Paired as ${pair}`, (circuit: Circuit) =>
          setValue(circuit, id, 'params', 'pair', pair),
        );
  };
  if (!link) return <AppText kind="small">The simulated air does not answer.</AppText>;
  const { air, modules, pairing } = link;
  const own = modules[device];
  const change = (to: Partial<Air>) => void setAir({ id: jobId, air: { ...air, ...to } }).then(take);
  return (
    <View style={styles.card}>
      <AppText kind="strong" heading={3}>
        Over the air, simulated
      </AppText>
      <AppText>{airText(air, own?.hears ?? null)}</AppText>
      <Options
        label="Apart"
        options={distances}
        value={String(air.metres)}
        onChange={(metres) => change({ metres: Number(metres) })}
      />
      <Options
        label="Walls between"
        options={WALLS}
        value={String(air.walls) as keyof typeof WALLS}
        onChange={(walls) => change({ walls: Number(walls) })}
      />
      <Options
        label="Interference"
        options={INTERFERENCE}
        value={air.interference}
        onChange={(interference) => change({ interference })}
      />
      <ActionButton
        label={
          pairing?.module === device ? 'Waits for the other module’s button' : 'Press its pairing button'
        }
        onPress={() => void pressPair({ id: jobId, module: device }).then(take)}
      />
      <ActionButton
        label="Take it out of its pair"
        onPress={() => void unpair({ id: jobId, module: device }).then(take)}
      />
    </View>
  );
}

const styles = sheet({ card: { gap: 8 } });
