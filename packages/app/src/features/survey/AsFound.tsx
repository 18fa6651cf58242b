import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Circuit, End } from '@zygostat/core/circuit';
import {
  ENDS,
  findCable,
  findDevice,
  isSplice,
  marksOf,
  nodeName,
  splitTerminal,
  underAnyLabel,
} from '@zygostat/core/circuit';
import type { ColourCode } from '@zygostat/core/standards';
import { colourName } from '@zygostat/core/standards';
import type { Run } from '@zygostat/core/survey';
import { paletteFor, recordLanding, recordedOn } from '@zygostat/core/survey';
import { useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Discrepancies } from './Discrepancies';
import { Palette } from './Palette';
import { CableFacts, HalfLabels, Jumpers, SetUps } from './RunFacts';
import { TerminalRow } from './TerminalRow';
import { nameAt } from './names';
import { useRuns, useSurveyEdit } from './useSurvey';

interface Place {
  cable: string;
  end: End;
}

/**
 * Terminals of a run's end: those expected there, then whatever else was recorded. Where the screws turned
 * out to be others than the ready system has, all the screws that are there.
 */
function terminalsAt(circuit: Circuit, run: Run, end: End): string[] {
  const landed = findCable(circuit, run.cable)?.conductors.flatMap((conductor) => conductor[end] ?? []) ?? [];
  const expected = run[end].terminals.flatMap((terminal) => {
    const there = underAnyLabel(circuit, terminal);
    if (there) return [there];
    const device = findDevice(circuit, splitTerminal(terminal).deviceId);
    return device ? marksOf(device).map((mark) => `${device.id}.${mark}`) : [];
  });
  return [...new Set([...expected, ...landed])];
}

const stationName = ({ stations }: Circuit, id: string) =>
  stations.find((station) => station.id === id)?.name ?? id;

/** The places to stand at, one for each end of each run, with how many landings are recorded. */
function PlacePicker({
  circuit,
  runs,
  here,
  onGo,
}: {
  circuit: Circuit;
  runs: readonly Run[];
  here: Place;
  onGo: (place: Place) => void;
}) {
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      contentContainerStyle={styles.places}
      role="group"
      aria-label="Ends to record"
    >
      {runs.flatMap((run) =>
        ENDS.map((end) => {
          const all = terminalsAt(circuit, run, end);
          const done = all.filter((terminal) => recordedOn(circuit, run.cable, end, terminal)).length;
          const label = `${stationName(circuit, run[end].station)} · ${findCable(circuit, run.cable)!.label} ${done}/${all.length}`;
          return (
            <ActionButton
              key={`${run.cable} ${end}`}
              label={label}
              pressed={here.cable === run.cable && here.end === end}
              onPress={() => onGo({ cable: run.cable, end })}
            />
          );
        }),
      )}
    </ScrollView>
  );
}

/** The landings as found: at each place, tap a terminal, pick the colour on it, and go on to the next by itself. */
export function AsFound({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const edit = useSurveyEdit();
  const runs = useRuns(circuit);
  const [chosen, setPlace] = useState<Place | null>(null);
  const [active, setActive] = useState<string | null>(null);
  const [first] = runs;
  if (!first) return <AppText>Identify the system first: its places and terminals follow from it.</AppText>;
  const place =
    chosen && runs.some(({ cable }) => cable === chosen.cable)
      ? chosen
      : { cable: first.cable, end: 'from' as End };
  const run = runs.find(({ cable }) => cable === place.cable)!;
  const terminals = terminalsAt(circuit, run, place.end);
  const terminal = active && terminals.includes(active) ? active : terminals[0]!;
  const { deviceId, mark } = splitTerminal(terminal);
  const outdoors = circuit.stations.find(({ id }) => id === run[place.end].station)?.kind === 'outdoor';
  const device = findDevice(circuit, deviceId);
  const splice = isSplice(circuit, terminal);
  const letter = splice ? nodeName(circuit, terminal).split(' ')[0]! : mark;
  const shared = !splice && terminals.every((entry) => splitTerminal(entry).deviceId === deviceId);
  const nameOfDevice = device?.label ?? '';
  const recorded = runs.some(({ cable }) => findCable(circuit, cable)!.conductors.length > 0);
  const go = (to: Place) => {
    setPlace(to);
    setActive(null);
  };
  const record = (colour: ColourCode | null) => {
    const what = colour
      ? `${colourName(colour)} on ${nodeName(circuit, terminal)}`
      : `Nothing on ${nodeName(circuit, terminal)}`;
    edit(what, (now) => ({ circuit: recordLanding(now, place.cable, place.end, terminal, colour) }));
    const next = terminals[terminals.indexOf(terminal) + 1];
    if (next) return setActive(next);
    // This end is done: on to the next place that has nothing recorded.
    const ends = runs.flatMap(({ cable }) => ENDS.map((end) => ({ cable, end })));
    const at = ends.findIndex(({ cable, end }) => cable === place.cable && end === place.end);
    const rest = [...ends.slice(at + 1), ...ends.slice(0, at)];
    const open = rest.find(
      ({ cable, end }) => !findCable(circuit, cable)?.conductors.some((conductor) => conductor[end] !== null),
    );
    if (open) go(open);
  };
  const conductor = recordedOn(circuit, place.cable, place.end, terminal);
  return (
    <>
      {recorded ? null : (
        <AppText kind="small">
          Photograph first, then read terminal by terminal, at both ends. Trust the terminal, never the
          colour. Prove it dead before you touch it.
        </AppText>
      )}
      <PlacePicker circuit={circuit} runs={runs} here={place} onGo={go} />
      <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
        <AppText kind="title" heading={2}>
          {`${shared ? `${nameOfDevice}, ` : ''}${stationName(circuit, run[place.end].station)}`}
        </AppText>
        <View role="radiogroup" aria-label="Terminals" style={styles.terminals}>
          {terminals.map((entry) => (
            <TerminalRow
              key={entry}
              name={nameAt(circuit, entry)}
              mark={shared ? splitTerminal(entry).mark : nameAt(circuit, entry)}
              colour={recordedOn(circuit, place.cable, place.end, entry)?.colour ?? null}
              active={entry === terminal}
              onPress={() => setActive(entry)}
            />
          ))}
        </View>
        <AppText kind="strong">{`Colour on ${nameAt(circuit, terminal)}?`}</AppText>
        <Palette
          colours={paletteFor(letter, outdoors)}
          chosen={conductor?.colour ?? null}
          onPick={record}
          none="Nothing"
        />
      </View>
      <Discrepancies circuit={circuit} />
      <HalfLabels circuit={circuit} />
      <SetUps circuit={circuit} />
      <Jumpers circuit={circuit} station={run[place.end].station} />
      <CableFacts circuit={circuit} run={run} />
    </>
  );
}

const styles = StyleSheet.create({
  places: { flexDirection: 'row', gap: 6 },
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 10 },
  terminals: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
});
