import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Air, Diagnosis, Observation } from '@zygostat/core/diagnose';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
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
const KNOWN = { surveyed: 'As recorded here', unsurveyed: 'Nobody looked yet' } as const;
const WHERE = { site: 'On site', telephone: 'On the telephone' } as const;

interface ComplaintProps {
  circuit: Circuit;
  onBegin: (
    station: string,
    state: string,
    observations: readonly Observation[],
    begun: Pick<Diagnosis, 'unsurveyed' | 'telephone'>,
  ) => void;
}

/** What the customer says: the call, what comes out, the screen; what is known of the wiring, and where one is. */
export function Complaint({ circuit, onBegin }: ComplaintProps) {
  const t = useTokens();
  const [call, setCall] = useState<keyof typeof CALLS>(useAppSelector(({ find }) => find.call) ?? 'cool');
  const [air, setAir] = useState<Air>('plain');
  const [screen, setScreen] = useState<keyof typeof SCREENS>('lit');
  const [known, setKnown] = useState<keyof typeof KNOWN>('surveyed');
  const [where, setWhere] = useState<keyof typeof WHERE>('site');
  const [stat] = thermostatsOf(circuit);
  if (!stat) return <AppText>There is no thermostat here: nothing can be called.</AppText>;
  const begin = () =>
    onBegin(
      stat.station,
      call,
      [
        { type: 'air', state: call, air },
        { type: 'screen', state: call, device: stat.id, lit: screen === 'lit' },
      ],
      {
        ...(known === 'unsurveyed' && { unsurveyed: true }),
        ...(where === 'telephone' && { telephone: true }),
      },
    );
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}>
      <AppText kind="title" heading={2}>
        What is the complaint?
      </AppText>
      <Options label="It goes wrong with" options={CALLS} value={call} onChange={setCall} />
      <Options label="What comes out" options={AIRS} value={air} onChange={setAir} />
      <Options label="The thermostat’s screen" options={SCREENS} value={screen} onChange={setScreen} />
      <Options label="The wiring is" options={KNOWN} value={known} onChange={setKnown} />
      <Options label="You are" options={WHERE} value={where} onChange={setWhere} />
      <ActionButton label="Find it" look="filled" onPress={begin} />
    </View>
  );
}

const styles = sheet({ card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 10 } });
