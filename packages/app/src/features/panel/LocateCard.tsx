import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import type { Inputs } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Loop } from '@zygostat/core/fire';
import type { Names } from '@zygostat/core/words';
import { loopOhmsText, shortText, showLength } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field, Options } from '../../basics';

const WRONG = { no: 'Nothing', short: 'Shorted', open: 'Open' } as const;
const SEEN = { resistor: 'The resistor', open: 'OL' } as const;

interface LocateProps {
  circuit: Circuit;
  inputs: Inputs;
  loop: Loop;
  names: Names;
}

/** Where a loop is shorted: ohms at the panel are metres of wire. */
function Shorted({ circuit, inputs, loop, names }: LocateProps) {
  const [text, setText] = useState('');
  const length = useAppSelector(({ settings }) => settings.length);
  const ohms = Number(text.replace(',', '.'));
  const valid = text.trim() !== '' && Number.isFinite(ohms) && ohms >= 0;
  const ask = useCallback(
    async (model: Remote<Model>) => (valid ? model.shorted(circuit, inputs, loop.panel, ohms) : null),
    [circuit, inputs, loop.panel, ohms, valid],
  );
  const places = useModel(ask);
  return (
    <>
      <AppText>Lift both conductors off the panel and read ohms between them.</AppText>
      <Field label="Ohms read" value={text} most={12} onChange={setText} />
      {text.trim() !== '' && !valid ? <AppText>Ohms as the meter shows them, such as 2.3.</AppText> : null}
      {places?.length === 0 ? (
        <AppText>No short of two conductors along it reads like that.</AppText>
      ) : (
        places?.map((place) => (
          <AppText key={place.conductors.join()} kind="strong">
            {shortText(names, place, (metres) => showLength(metres, length))}
          </AppText>
        ))
      )}
    </>
  );
}

/** Where a loop is open: who sees the resistor is beyond the break. */
function Broken({ circuit, inputs, loop, names }: LocateProps) {
  const t = useTokens();
  const [seen, setSeen] = useState<Readonly<Record<string, keyof typeof SEEN>>>({});
  const ask = useCallback(
    (model: Remote<Model>) => {
      const sound = new Map(loop.points.map(({ device, ohms }) => [device, ohms]));
      const readings = Object.entries(seen).map(([device, what]) => ({
        device,
        ohms: what === 'open' ? Infinity : sound.get(device)!,
      }));
      return model.broken(circuit, inputs, loop.panel, readings);
    },
    [circuit, inputs, loop, seen],
  );
  const places = useModel(ask);
  return (
    <>
      <AppText>With the loop lifted off the panel read ohms across its devices.</AppText>
      {loop.points
        .filter(({ ohms }) => Number.isFinite(ohms))
        .map(({ device, ohms }) => (
          <View key={device} style={places?.next === device ? { backgroundColor: t.copperSoft } : null}>
            <Options
              label={`${names.device(device)}${places?.next === device ? ', read here next' : ''}`}
              options={{ ...SEEN, resistor: loopOhmsText(ohms) }}
              value={seen[device] ?? ('' as keyof typeof SEEN)}
              onChange={(what) => setSeen({ ...seen, [device]: what })}
            />
          </View>
        ))}
      {places && Object.keys(seen).length > 0 ? (
        <AppText kind="strong">
          {places.conductors.length === 0
            ? 'No single break reads like that.'
            : `Open: ${places.conductors.map((id) => names.conductor(id)).join(', or ')}`}
        </AppText>
      ) : null}
    </>
  );
}

/** Finds a short or a break along a loop by what a meter reads. */
export function LocateCard(props: LocateProps) {
  const t = useTokens();
  const [wrong, setWrong] = useState<keyof typeof WRONG>('no');
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <Options label="What is wrong along the loop" options={WRONG} value={wrong} onChange={setWrong} />
      {wrong === 'short' ? <Shorted {...props} /> : wrong === 'open' ? <Broken {...props} /> : null}
      {wrong === 'no' ? null : (
        <ActionButton label="Enough of that" look="plain" onPress={() => setWrong('no')} />
      )}
    </View>
  );
}

const styles = sheet({ card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 } });
