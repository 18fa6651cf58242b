import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Circuit, End } from '@zygostat/core/circuit';
import {
  ENDS,
  addLink,
  findCable,
  findDevice,
  freeLinkId,
  hasTerminal,
  marksOf,
  pointName,
  removeLink,
  setCable,
  setValue,
  splitTerminal,
} from '@zygostat/core/circuit';
import { fill, kindOf } from '@zygostat/core/devices';
import type { ColourCode } from '@zygostat/core/standards';
import { GAUGES, colourName, feetToMetres } from '@zygostat/core/standards';
import type { Run } from '@zygostat/core/survey';
import { addJacket, paletteFor, recordLanding, recordSpare, recordedOn } from '@zygostat/core/survey';
import { showGauge, showLength } from '../../bench/show';
import { thermostatsOf } from '../../bench/calls';
import { useAppSelector } from '../../store';
import { useTokens } from '../../theme';
import { Act, Options, Words } from '../basics';
import { FieldEditor } from '../trace/FieldEditor';
import { Findings } from './Findings';
import { Palette } from './Palette';
import { TerminalRow } from './TerminalRow';
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
    if (hasTerminal(circuit, terminal)) return [terminal];
    const device = findDevice(circuit, splitTerminal(terminal).deviceId);
    return device ? marksOf(device).map((mark) => `${device.id}.${mark}`) : [];
  });
  return [...new Set([...expected, ...landed])];
}

/** A terminal by name; a splice says that it is one. */
function nameAt(circuit: Circuit, terminal: string): string {
  const device = findDevice(circuit, splitTerminal(terminal).deviceId);
  return device?.kind === 'wire-nut' ? `wire nut ${device.label}` : pointName(circuit, terminal);
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
            <Act
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

/** What the cable is: its gauge, its length, further jackets and conductors that are landed nowhere. */
function CableFacts({ circuit, run }: { circuit: Circuit; run: Run }) {
  const edit = useSurveyEdit();
  const { gauge: gaugeUnit, length } = useAppSelector(({ settings }) => settings);
  const [addingSpare, setAddingSpare] = useState(false);
  const cable = findCable(circuit, run.cable)!;
  const gauges = Object.fromEntries(
    GAUGES.filter((gauge) => gauge >= 16).map((gauge) => [String(gauge), showGauge(gauge, gaugeUnit)]),
  );
  const feet = length === 'ft';
  const shown = Number((feet ? cable.lengthM / feetToMetres(1) : cable.lengthM).toFixed(1));
  return (
    <View style={styles.facts}>
      <Words
        kind="title"
        heading={3}
      >{`${cable.label}, ${showGauge(cable.gauge, gaugeUnit)}, ${showLength(cable.lengthM, length)}`}</Words>
      <Options
        label="Wire size"
        options={gauges}
        value={String(cable.gauge)}
        onChange={(gauge) =>
          edit('Wire size', (now) => ({ circuit: setCable(now, run.cable, { gauge: Number(gauge) }) }))
        }
      />
      <FieldEditor
        key={length}
        field={{
          type: 'number',
          label: 'Length',
          unit: length,
          default: shown,
          min: 0.1,
          max: feet ? 6000 : 2000,
          source: 'estimated until paced out',
        }}
        value={shown}
        given
        onChange={(value) =>
          edit('Length', (now) => ({
            circuit: setCable(now, run.cable, {
              lengthM: feet ? feetToMetres(Number(value)) : Number(value),
            }),
          }))
        }
      />
      <Act
        label="Add a spare conductor"
        icon="plus"
        pressed={addingSpare}
        onPress={() => setAddingSpare(!addingSpare)}
      />
      {addingSpare ? (
        <Palette
          colours={paletteFor('')}
          chosen={null}
          onPick={(colour) => {
            setAddingSpare(false);
            if (colour)
              edit(`Spare ${colourName(colour)}`, (now) => ({
                circuit: recordSpare(now, run.cable, colour),
              }));
          }}
        />
      ) : null}
      <Act
        label="Add a second jacket beside it"
        icon="plus"
        onPress={() =>
          edit('Another jacket', (now, survey) =>
            addJacket(now, { ...survey, runs: survey.runs.length > 0 ? survey.runs : [run] }, run.cable),
          )
        }
      />
    </View>
  );
}

/** The screws of each thermostat, and the rows and joiner of those that have them. */
function SetUps({ circuit }: { circuit: Circuit }) {
  const edit = useSurveyEdit();
  return thermostatsOf(circuit).map(({ id, kind, label, params, settings }) => {
    const fields = kindOf(kind).settings;
    const values = fill(fields, settings);
    const terminals = fill(kindOf(kind).params, params).terminals;
    const asked = [
      ...(terminals === 'rows' ? ['system'] : []),
      ...(['two', 'full', 'rows'].includes(String(terminals)) ? ['joiner'] : []),
    ];
    const screws = kindOf(kind).params.terminals!;
    const editors = asked.map((name) => (
      <FieldEditor
        key={`${id}${name}`}
        field={
          name === 'system'
            ? { ...fields.system!, label: `${label}: which row is in use` }
            : { ...fields[name]!, label: `${label}: ${fields[name]!.label}` }
        }
        value={values[name]!}
        given={settings[name] !== undefined}
        onChange={(value) =>
          edit(`${label}: ${fields[name]!.label}`, (now) => ({
            circuit: setValue(now, id, 'settings', name, value),
          }))
        }
      />
    ));
    return [
      <FieldEditor
        key={`${id}terminals`}
        field={{ ...screws, label: `${label}: its screws` }}
        value={String(terminals)}
        given={params.terminals !== undefined}
        onChange={(value) =>
          edit(`${label}: its screws`, (now) => ({
            circuit: setValue(now, id, 'params', 'terminals', value),
          }))
        }
      />,
      ...editors,
    ];
  });
}

/** Jumpers at a station: those found, and a new one from one terminal to another. */
function Jumpers({ circuit, station }: { circuit: Circuit; station: string }) {
  const edit = useSurveyEdit();
  const [from, setFrom] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const terminals = circuit.devices
    .filter((device) => device.station === station && !kindOf(device.kind).inline)
    .flatMap((device) => marksOf(device).map((mark) => `${device.id}.${mark}`));
  const here = circuit.links.filter(({ joins }) => joins.some((terminal) => terminals.includes(terminal)));
  const close = () => {
    setAdding(false);
    setFrom(null);
  };
  const pick = (terminal: string) => {
    if (from === null) return setFrom(terminal);
    edit(`Jumper ${pointName(circuit, from)} to ${pointName(circuit, terminal)}`, (now) => ({
      circuit: addLink(now, { id: freeLinkId(now), kind: 'jumper', joins: [from, terminal] }),
    }));
    close();
  };
  return (
    <View style={styles.facts}>
      {here.map(({ id, joins }) => (
        <Act
          key={id}
          label={`Jumper ${joins.map((terminal) => pointName(circuit, terminal)).join(' to ')}: take away`}
          icon="close"
          onPress={() => edit('Took a jumper away', (now) => ({ circuit: removeLink(now, id) }))}
        />
      ))}
      <Act
        label={
          adding ? (from ? `Jumper from ${pointName(circuit, from)} to…` : 'Jumper from…') : 'Record a jumper'
        }
        icon="plus"
        pressed={adding}
        onPress={() => (adding ? close() : setAdding(true))}
      />
      {adding ? (
        <View style={styles.terminals}>
          {terminals
            .filter((terminal) => terminal !== from)
            .map((terminal) => (
              <Act key={terminal} label={nameAt(circuit, terminal)} onPress={() => pick(terminal)} />
            ))}
        </View>
      ) : null}
    </View>
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
  if (!first) return <Words>Identify the system first: its places and terminals follow from it.</Words>;
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
  const letter = device?.kind === 'wire-nut' ? device.label.split(' ')[0]! : mark;
  const shared =
    device?.kind !== 'wire-nut' && terminals.every((entry) => splitTerminal(entry).deviceId === deviceId);
  const nameOfDevice = device?.label ?? '';
  const recorded = runs.some(({ cable }) => findCable(circuit, cable)!.conductors.length > 0);
  const go = (to: Place) => {
    setPlace(to);
    setActive(null);
  };
  const record = (colour: ColourCode | null) => {
    const what = colour
      ? `${colourName(colour)} on ${pointName(circuit, terminal)}`
      : `Nothing on ${pointName(circuit, terminal)}`;
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
        <Words kind="small">
          Photograph first, then read terminal by terminal, at both ends. Trust the terminal, never the
          colour. Prove it dead before you touch it.
        </Words>
      )}
      <PlacePicker circuit={circuit} runs={runs} here={place} onGo={go} />
      <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
        <Words kind="title" heading={2}>
          {`${shared ? `${nameOfDevice}, ` : ''}${stationName(circuit, run[place.end].station)}`}
        </Words>
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
        <Words kind="strong">{`Colour on ${nameAt(circuit, terminal)}?`}</Words>
        <Palette
          colours={paletteFor(letter, outdoors)}
          chosen={conductor?.colour ?? null}
          onPick={record}
          none="Nothing"
        />
      </View>
      <Findings circuit={circuit} />
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
  facts: { gap: 10 },
});
