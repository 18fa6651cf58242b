import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { View } from 'react-native';
import type { Building, List, WalkStop } from '@zygostat/core/building';
import { beforeReset, begun, changedThing, signsOf, walkOf, withThing } from '@zygostat/core/building';
import { signText, walkText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field } from '../../basics';
import { AirForm, DetectorLooks, StationLooks, ThermostatLooks, UnitLooks } from './Forms';
import { LISTS } from './lists';

interface PaneProps {
  building: Building;
  change: (to: (building: Building) => Building) => void;
  onOpen: (at: { list: List; id: string }) => void;
}

/** The next thing to look at, with what may be seen there. */
function NextStop({ building, stop, change }: Omit<PaneProps, 'onOpen'> & { stop: WalkStop }) {
  const t = useTokens();
  const { id } = stop;
  const form = <T extends { id: string }>(list: List, things: readonly T[]) => ({
    building,
    thing: things.find((one) => one.id === id)!,
    onChange: (seen: Partial<T>) => change((now) => changedThing(now, list, id, seen as never)),
  });
  return (
    <View
      role="region"
      aria-label="Look at next"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}
    >
      <AppText kind="small">Look at next</AppText>
      <AppText kind="title" heading={2}>
        {walkText(building, stop)}
      </AppText>
      {stop.type === 'unit' ? (
        <UnitLooks {...form('units', building.units)} />
      ) : stop.type === 'detector' ? (
        <DetectorLooks {...form('detectors', building.detectors)} />
      ) : stop.type === 'station' ? (
        <StationLooks {...form('stations', building.stations)} />
      ) : stop.type === 'screen' ? (
        <ThermostatLooks {...form('thermostats', building.thermostats)} />
      ) : (
        <AirForm {...form('air', building.air)} />
      )}
    </View>
  );
}

/** What is in the building, list by list, each thing a way to its sheet; and one more. */
function Everything({ building, change, onOpen }: PaneProps) {
  const t = useTokens();
  const [name, setName] = useState('');
  const add = (list: List) => {
    const thing = begun(list, nanoid(10), name.trim());
    setName('');
    change((now) => withThing(now, list, thing));
    onOpen({ list, id: thing.id });
  };
  return (
    <>
      {(Object.keys(LISTS) as List[]).map((list) =>
        building[list].length === 0 ? null : (
          <View key={list} role="group" aria-label={LISTS[list].title} style={styles.group}>
            <AppText kind="small">{LISTS[list].title}</AppText>
            <View style={styles.row}>
              {building[list].map(({ id, label }) => (
                <ActionButton key={id} label={label} onPress={() => onOpen({ list, id })} />
              ))}
            </View>
          </View>
        ),
      )}
      <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
        <Field
          label="Something else is here: what is written on it"
          value={name}
          most={80}
          onChange={setName}
        />
        <View style={styles.row}>
          {(Object.keys(LISTS) as List[]).map((list) => (
            <ActionButton
              key={list}
              label={LISTS[list].one}
              hint={`Add ${LISTS[list].one.toLowerCase()}`}
              icon="plus"
              disabled={name.trim() === ''}
              onPress={() => add(list)}
            />
          ))}
        </View>
      </View>
    </>
  );
}

/** The walk: what to look at before anything is reset, and what the looks say together. */
export function WalkPane({ building, change, onOpen }: PaneProps) {
  const t = useTokens();
  const walk = walkOf(building);
  // The stop stays until it is left: what was answered there can still be changed.
  const [held, setHeld] = useState<WalkStop | null>(null);
  const stillThere = held && walk.find(({ type, id }) => type === held.type && id === held.id);
  const stop = held ?? walk[0] ?? null;
  const before = beforeReset(building).length;
  const signs = signsOf(building);
  return (
    <>
      <View role="status" style={[styles.banner, { backgroundColor: before > 0 ? t.amberSoft : t.tealSoft }]}>
        <AppText kind="strong" color={before > 0 ? t.amber : t.teal}>
          {before > 0
            ? `Reset nothing yet: ${before} ${before === 1 ? 'unit or detector is' : 'units or detectors are'} still to be looked at.`
            : building.units.length === 0
              ? 'Write down the units first: what is written on each.'
              : 'Every unit and detector was looked at.'}
        </AppText>
      </View>
      {stop ? (
        <>
          <NextStop
            building={building}
            stop={stop}
            change={(to) => {
              setHeld(stop);
              change(to);
            }}
          />
          {held ? (
            <ActionButton
              label={stillThere ? 'Leave the rest, on' : 'On'}
              hint="On to the next"
              look={stillThere ? 'outlined' : 'filled'}
              onPress={() => setHeld(stillThere ? (walk[walk.indexOf(stillThere) + 1] ?? null) : null)}
            />
          ) : null}
        </>
      ) : null}
      {signs.length > 0 ? (
        <View
          role="list"
          aria-label="What it says"
          style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
        >
          <AppText kind="title" heading={2}>
            What it says
          </AppText>
          {signs.map((sign) => {
            const text = signText(building, sign);
            return (
              <View key={text} role="listitem">
                <AppText>{text}</AppText>
              </View>
            );
          })}
        </View>
      ) : null}
      <Everything building={building} change={change} onOpen={onOpen} />
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  banner: { borderRadius: 10, padding: 12 },
  group: { gap: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
