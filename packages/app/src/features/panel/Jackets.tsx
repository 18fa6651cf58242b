import { nanoid } from '@reduxjs/toolkit';
import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor, splitTerminal } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { Jacket } from '@zygostat/core/fire';
import { jacketsAt, relandedJacket, unlandedJacket } from '@zygostat/core/fire';
import type { Body, JacketStanding, Standing } from '@zygostat/core/record';
import { jacketsOff } from '@zygostat/core/record';
import { colourName } from '@zygostat/core/standards';
import type { Names } from '@zygostat/core/words';
import { JACKET_BECAME, JACKET_DOES, lostText } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { useAppDispatch } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Options } from '../../basics';
import { edited } from '../circuit/slice';
import { JacketFound } from './JacketFound';

interface JacketsProps {
  circuit: Circuit;
  names: Names;
  standing: Standing;
  /** Whether hands may go to it: the panel is on test and the building knows. */
  ready: boolean;
  onWrite: (body: Body) => Promise<boolean>;
}

const endsOf = (circuit: Circuit, { landed }: Pick<Jacket, 'landed'>) =>
  landed
    .map(({ conductor, terminal }) => {
      const found = findConductor(circuit, conductor);
      return `${found ? colourName(found.colour) : conductor} on ${splitTerminal(terminal).mark}`;
    })
    .join(', ');

/** The circuit as it was before any jacket that is off was taken off. */
const whole = (circuit: Circuit, off: readonly JacketStanding[]): Circuit =>
  off.reduce((now, { landed }) => relandedJacket(now, landed), circuit);

/** What is unprotected while jackets are off. */
function Unprotected({
  circuit,
  names,
  off,
}: {
  circuit: Circuit;
  names: Names;
  off: readonly JacketStanding[];
}) {
  const t = useTokens();
  const ask = useCallback((model: Remote<Model>) => model.lost(whole(circuit, off), circuit), [circuit, off]);
  const lost = useModel(ask);
  if (!lost) return null;
  return <AppText color={lost.length > 0 ? t.red : t.teal}>{lostText(names, lost)}</AppText>;
}

/** The jackets at a detector, taken off one at a time, found out, and put back: none is forgotten. */
export function Jackets({ circuit, names, standing, ready, onWrite }: JacketsProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  // The one with the most jackets first: that is the tangle.
  const detectors = circuit.devices
    .filter(({ kind }) => kindOf(kind).loopContacts)
    .sort((one, other) => jacketsAt(circuit, other.id).length - jacketsAt(circuit, one.id).length);
  const [taken, setChosen] = useState<string | null>(null);
  const chosen = taken ?? detectors[0]?.id ?? '';
  const off = jacketsOff(standing);
  const known = new Map(standing.jackets.map(({ cable, does }) => [cable, does]));
  // A jacket has one mark, whichever of its ends is looked at.
  const all = whole(circuit, off);
  const marked = [...new Set(detectors.flatMap(({ id }) => jacketsAt(all, id).map(({ cable }) => cable)))];
  const markOf = (cable: string) =>
    standing.jackets.find((one) => one.cable === cable)?.mark ?? String(marked.indexOf(cable) + 1);
  const unland = async (jacket: Jacket) => {
    const body: Body = {
      type: 'unlanded',
      jacket: nanoid(),
      mark: markOf(jacket.cable),
      cable: jacket.cable,
      device: chosen,
      landed: [...jacket.landed],
    };
    if (!(await onWrite(body))) return;
    // What is chosen stays chosen while a jacket of it is off.
    setChosen(chosen);
    dispatch(
      edited({ circuit: unlandedJacket(circuit, jacket.landed), note: `Jacket ${body.mark} taken off` }),
    );
  };
  const putBack = async ({ id, mark, landed }: JacketStanding) => {
    if (!(await onWrite({ type: 'settled', jacket: id, as: 'back', text: '' }))) return;
    dispatch(edited({ circuit: relandedJacket(circuit, landed), note: `Jacket ${mark} landed again` }));
  };
  return (
    <View
      role="region"
      aria-label="Jackets"
      style={[styles.card, { backgroundColor: t.card, borderColor: off.length > 0 ? t.red : t.line }]}
    >
      <AppText kind="title" heading={2}>
        Jacket by jacket
      </AppText>
      <AppText kind="small">Mark it, take it off, see what goes with it, put it back. One at a time.</AppText>
      {off.map((jacket) => (
        <View key={jacket.id} role="group" aria-label={`Jacket ${jacket.mark}, off`} style={styles.off}>
          <AppText kind="strong" color={t.red}>
            {`Jacket ${jacket.mark} is off ${names.device(jacket.device)}`}
          </AppText>
          <AppText>{`It was ${endsOf(circuit, jacket)}.`}</AppText>
          <JacketFound
            circuit={all}
            names={names}
            jacket={jacket}
            onFound={(does) => onWrite({ type: 'identified', jacket: jacket.id, does, text: '' })}
          />
          <ActionButton label="Put it back as it was" look="filled" onPress={() => void putBack(jacket)} />
          {(['moved', 'retired'] as const).map((as) => (
            <ActionButton
              key={as}
              label={{ moved: 'It is landed elsewhere', retired: 'Out of use, both ends insulated' }[as]}
              hint={JACKET_BECAME[as]}
              onPress={() => void onWrite({ type: 'settled', jacket: jacket.id, as, text: '' })}
            />
          ))}
        </View>
      ))}
      {off.length > 0 ? <Unprotected circuit={circuit} names={names} off={off} /> : null}
      {off.length === 0 && detectors.length > 1 ? (
        <Options
          label="At"
          options={Object.fromEntries(detectors.map(({ id, label }) => [id, label]))}
          value={chosen}
          onChange={setChosen}
        />
      ) : null}
      {off.length > 0
        ? null
        : jacketsAt(circuit, chosen).map((jacket) => {
            const does = known.get(jacket.cable);
            return (
              <View key={jacket.cable} style={[styles.line, { borderColor: t.line }]}>
                <View style={styles.grow}>
                  <AppText kind="strong">
                    {`Jacket ${markOf(jacket.cable)}${does ? `: ${JACKET_DOES[does]}` : ''}`}
                  </AppText>
                  <AppText kind="small">{endsOf(circuit, jacket)}</AppText>
                </View>
                <ActionButton
                  label="Take it off"
                  hint={`Take off ${names.cable(jacket.cable)}`}
                  disabled={!ready}
                  onPress={() => void unland(jacket)}
                />
              </View>
            );
          })}
      {ready ? null : (
        <AppText kind="small">First the steps above: monitoring, on test, the building’s contact.</AppText>
      )}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  off: { gap: 8 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, borderBottomWidth: 1, paddingVertical: 6 },
  grow: { flex: 1 },
});
