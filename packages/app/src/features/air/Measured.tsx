import { useState } from 'react';
import { View } from 'react-native';
import type { AirView } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { airFitText, flowFrom, flowUnit, pressureFrom, pressureUnit } from '@zygostat/core/words';
import { ActionButton, AppText, Field } from '../../basics';
import { theModel } from '../../model/model';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { edited } from '../circuit/slice';

/** A figure as it is typed; nothing where the field is empty, and NaN where it is none. */
const figure = (typed: string): number | undefined =>
  typed.trim() === '' ? undefined : Number(typed.trim().replace(',', '.').replace('−', '-'));

/** What a manometer and a flow hood say as dampers stand now, and the model brought to it. */
export function Measured({ circuit, view }: { circuit: Circuit; view: AirView }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { length } = useAppSelector((state) => state.settings);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const at = (name: string) => typed[name] ?? '';
  const set = (name: string) => (text: string) => setTyped({ ...typed, [name]: text });
  const flows = view.zones.flatMap(({ zone }) => {
    const given = figure(at(zone));
    return given === undefined ? [] : [[zone, flowFrom(given, length)] as const];
  });
  const [supply, back] = [figure(at('supply')), figure(at('return'))];
  const numbers = [supply, back, ...flows.map(([, flow]) => flow)].filter((one) => one !== undefined);
  const notNumbers = numbers.some((one) => !Number.isFinite(one));
  const correct = async () => {
    const answer = await theModel().corrected(circuit, view, {
      ...(supply !== undefined && { supplyPa: pressureFrom(supply, length) }),
      ...(back !== undefined && { returnPa: pressureFrom(back, length) }),
      flows: Object.fromEntries(flows),
    });
    if ('wrong' in answer) return setSaid({ text: `Not taken: ${answer.wrong}.`, wrong: true });
    dispatch(edited({ circuit: answer.circuit, note: 'Ducts corrected by what was measured' }));
    setSaid({ text: airFitText(answer.fit), wrong: false });
  };
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong">Measured, as dampers stand now</AppText>
      <AppText kind="small">
        Supply and return against the room, and what a hood finds at a zone’s grilles together. Leave out what
        you have not.
      </AppText>
      <View style={styles.row}>
        {(['supply', 'return'] as const).map((name) => (
          <View key={name} style={styles.field}>
            <Field
              label={`${name === 'supply' ? 'Supply' : 'Return'}, ${pressureUnit(length)}`}
              value={at(name)}
              most={8}
              onChange={set(name)}
            />
          </View>
        ))}
      </View>
      <View style={styles.row}>
        {view.zones.map(({ zone }) => (
          <View key={zone} style={styles.field}>
            <Field
              label={`Zone ${zone}, ${flowUnit(length)}`}
              value={at(zone)}
              most={8}
              onChange={set(zone)}
            />
          </View>
        ))}
      </View>
      {notNumbers ? <AppText color={t.red}>A figure here is no number: digits, with a point.</AppText> : null}
      {said ? <AppText color={said.wrong ? t.red : t.ink}>{said.text}</AppText> : null}
      <ActionButton
        label="Correct the ducts by it"
        disabled={notNumbers || numbers.length === 0}
        onPress={() => void correct()}
      />
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  field: { flexGrow: 1, flexBasis: 130 },
});
