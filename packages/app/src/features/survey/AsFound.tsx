import { useEffect, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Circuit, End } from '@zygostat/core/circuit';
import { findCable, findDevice, isSplice, nodeName, splitTerminal } from '@zygostat/core/circuit';
import type { ColourCode } from '@zygostat/core/standards';
import { colourName } from '@zygostat/core/standards';
import type { EndSeen, Run } from '@zygostat/core/survey';
import { endsSeen, isBare, paletteFor, recordSeen, recordedOn } from '@zygostat/core/survey';
import { sheet, useTokens } from '../../theme';
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

const stationName = ({ stations }: Circuit, id: string) =>
  stations.find((station) => station.id === id)?.name ?? id;

interface PlacePickerProps {
  circuit: Circuit;
  runs: readonly Run[];
  ends: readonly EndSeen[];
  here: Place;
  onGo: (place: Place) => void;
}

/** The places to stand at, one for each end of each run, with how many terminals were looked at; the present one in view. */
function PlacePicker({ circuit, runs, ends, here, onGo }: PlacePickerProps) {
  const strip = useRef<ScrollView>(null);
  useEffect(() => {
    const element = strip.current as unknown as HTMLElement | null;
    element
      ?.querySelector?.('[aria-pressed="true"]')
      ?.scrollIntoView?.({ block: 'nearest', inline: 'center' });
  }, [here.cable, here.end]);
  return (
    <ScrollView
      ref={strip}
      horizontal
      showsHorizontalScrollIndicator={false}
      contentContainerStyle={styles.places}
      role="group"
      aria-label="Ends to record"
    >
      {ends.map(({ cable, end, all, open }) => {
        const run = runs.find((one) => one.cable === cable)!;
        return (
          <ActionButton
            key={`${cable} ${end}`}
            label={`${stationName(circuit, run[end].station)} · ${findCable(circuit, cable)!.label} ${all.length - open.length}/${all.length}`}
            pressed={here.cable === cable && here.end === end}
            onPress={() => onGo({ cable, end })}
          />
        );
      })}
    </ScrollView>
  );
}

/** Said once every terminal was looked at, with where to go from there. */
function AllSeen({
  ends,
  onLabels,
  onTrace,
}: {
  ends: readonly EndSeen[];
  onLabels: () => void;
  onTrace: () => void;
}) {
  const t = useTokens();
  const all = ends.reduce((sum, end) => sum + end.all.length, 0);
  return (
    <View
      role="status"
      aria-live="polite"
      style={[styles.card, { backgroundColor: t.tealSoft, borderColor: t.teal }]}
    >
      <AppText kind="strong" color={t.teal}>
        {`All ${all} terminals are recorded`}
      </AppText>
      <View style={styles.places}>
        <ActionButton label="Read the labels" onPress={onLabels} style={styles.grow} />
        <ActionButton label="See it live" look="filled" onPress={onTrace} style={styles.grow} />
      </View>
    </View>
  );
}

interface AsFoundProps {
  circuit: Circuit;
  onLabels: () => void;
  onTrace: () => void;
}

/** The landings as found: at each place, tap a terminal, pick the colour on it, and go on to the next by itself. */
export function AsFound({ circuit, onLabels, onTrace }: AsFoundProps) {
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
  const ends = endsSeen(circuit, runs);
  const { all: terminals } = ends.find(({ cable, end }) => cable === place.cable && end === place.end)!;
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
    edit(what, (now, survey) => {
      const seen = recordSeen(now, runs, { ...place, terminal }, colour);
      return { circuit: seen.circuit, survey: { ...survey, runs: seen.runs } };
    });
    const next = terminals[terminals.indexOf(terminal) + 1];
    if (next) return setActive(next);
    // This end is done: on to the next place where nothing was looked at.
    const at = ends.findIndex(({ cable, end }) => cable === place.cable && end === place.end);
    const open = [...ends.slice(at + 1), ...ends.slice(0, at)].find(
      (one) => one.open.length === one.all.length,
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
      <PlacePicker circuit={circuit} runs={runs} ends={ends} here={place} onGo={go} />
      {ends.every(({ open }) => open.length === 0) ? (
        <AllSeen ends={ends} onLabels={onLabels} onTrace={onTrace} />
      ) : null}
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
              bare={isBare(run[place.end], entry)}
              active={entry === terminal}
              onPress={() => setActive(entry)}
            />
          ))}
        </View>
        <AppText kind="strong">
          {`Colour on ${nameAt(circuit, terminal)}, ${stationName(circuit, run[place.end].station)}?`}
        </AppText>
        <Palette
          colours={paletteFor(letter, outdoors)}
          chosen={conductor?.colour ?? null}
          onPick={record}
          none="Nothing"
          noneChosen={!conductor && isBare(run[place.end], terminal)}
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

const styles = sheet({
  places: { flexDirection: 'row', gap: 8 },
  grow: { flex: 1 },
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 10 },
  terminals: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
