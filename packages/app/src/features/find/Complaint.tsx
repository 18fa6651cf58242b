import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Air, Observation } from '@zygostat/core/diagnose';
import { useTokens } from '../../theme';
import { ActionButton, AppText, Options } from '../../basics';
import { thermostatsOf } from '../bench/calls';

const CALLS = { cool: 'Cooling', heat: 'Heat', fan: 'Fan', off: 'It never stops' } as const;
const AIRS: Readonly<Record<Air, string>> = {
  still: 'No air',
  plain: 'Air, not tempered',
  cold: 'Cold air',
  warm: 'Warm air',
  mixed: 'Lukewarm air',
};
const SCREENS = { lit: 'Lit', blank: 'Blank' } as const;

interface ComplaintProps {
  circuit: Circuit;
  onBegin: (station: string, state: string, observations: readonly Observation[]) => void;
}

/** What the customer says, in three taps: the call, what comes out, the screen. */
export function Complaint({ circuit, onBegin }: ComplaintProps) {
  const t = useTokens();
  const [call, setCall] = useState<keyof typeof CALLS>('cool');
  const [air, setAir] = useState<Air>('plain');
  const [screen, setScreen] = useState<keyof typeof SCREENS>('lit');
  const [stat] = thermostatsOf(circuit);
  if (!stat) return <AppText>There is no thermostat here: nothing can be called.</AppText>;
  const begin = () =>
    onBegin(stat.station, call, [
      { type: 'air', state: call, air },
      { type: 'screen', state: call, device: stat.id, lit: screen === 'lit' },
    ]);
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}>
      <AppText kind="title" heading={2}>
        What is the complaint?
      </AppText>
      <Options label="It goes wrong with" options={CALLS} value={call} onChange={setCall} />
      <Options label="What comes out" options={AIRS} value={air} onChange={setAir} />
      <Options label="The thermostat’s screen" options={SCREENS} value={screen} onChange={setScreen} />
      <ActionButton label="Find it" look="filled" onPress={begin} />
    </View>
  );
}

const styles = StyleSheet.create({ card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 10 } });
