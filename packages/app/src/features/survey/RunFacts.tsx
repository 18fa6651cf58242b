/** What else is recorded of a run and its place: the cable, the set-up of thermostats, jumpers. */
import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import {
  addLink,
  findCable,
  freeLinkId,
  marksOf,
  nodeName,
  removeLink,
  setCable,
  setValue,
} from '@zygostat/core/circuit';
import { fill, hasRows, hasScrew, kindOf } from '@zygostat/core/devices';
import { GAUGES, colourName, feetToMetres } from '@zygostat/core/standards';
import type { Run } from '@zygostat/core/survey';
import { addJacket, paletteFor, recordSpare } from '@zygostat/core/survey';
import { showGauge, showLength } from '@zygostat/core/words';
import { wiredThermostats } from '../bench/calls';
import { useAppSelector } from '../../store';
import { ActionButton, Options, AppText } from '../../basics';
import { FieldEditor } from '../trace/FieldEditor';
import { Palette } from './Palette';
import { nameAt } from './names';
import { useSurveyEdit } from './useSurvey';
import { sheet } from '../../theme';

/** Thinner than this and as thin, AWG number, is control cable; what is thicker carries line voltage. */
const CONTROL_GAUGE = 16;

/** What the cable is: its gauge, its length, further jackets and conductors that are landed nowhere. */
export function CableFacts({ circuit, run }: { circuit: Circuit; run: Run }) {
  const edit = useSurveyEdit();
  const { gauge: gaugeUnit, length } = useAppSelector(({ settings }) => settings);
  const [addingSpare, setAddingSpare] = useState(false);
  const cable = findCable(circuit, run.cable)!;
  const gauges = Object.fromEntries(
    GAUGES.filter((gauge) =>
      cable.gauge < CONTROL_GAUGE ? gauge < CONTROL_GAUGE : gauge >= CONTROL_GAUGE,
    ).map((gauge) => [String(gauge), showGauge(gauge, gaugeUnit)]),
  );
  const feet = length === 'ft';
  const shown = Number((feet ? cable.lengthM / feetToMetres(1) : cable.lengthM).toFixed(1));
  return (
    <View style={styles.facts}>
      <AppText
        kind="title"
        heading={3}
      >{`${cable.label}, ${showGauge(cable.gauge, gaugeUnit)}, ${showLength(cable.lengthM, length)}`}</AppText>
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
        hint="An estimate until you pace it out and type it here."
        onChange={(value) =>
          edit('Length', (now) => ({
            circuit: setCable(now, run.cable, {
              lengthM: feet ? feetToMetres(Number(value)) : Number(value),
            }),
          }))
        }
      />
      <ActionButton
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
      <ActionButton
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
export function SetUps({ circuit }: { circuit: Circuit }) {
  const edit = useSurveyEdit();
  return wiredThermostats(circuit).map(({ id, kind, label, params, settings }) => {
    const fields = kindOf(kind).settings;
    const values = fill(fields, settings);
    const terminals = String(fill(kindOf(kind).params, params).terminals);
    const asked = [
      ...(hasRows(terminals) ? ['system'] : []),
      ...(hasScrew(terminals, 'RH') ? ['joiner'] : []),
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
        value={terminals}
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

/** How the terminals of the run are marked at each half of a unit: whatever is recorded on them follows. */
export function HalfLabels({ circuit }: { circuit: Circuit }) {
  const edit = useSurveyEdit();
  return circuit.devices.map(({ id, kind, label, params }) => {
    const { interconnect, params: fields } = kindOf(kind);
    const field = fields.labels;
    if (!interconnect || !field) return null;
    return (
      <FieldEditor
        key={id}
        field={{ ...field, label: `${label}: ${field.label.charAt(0).toLowerCase()}${field.label.slice(1)}` }}
        value={fill(fields, params).labels!}
        given={params.labels !== undefined}
        onChange={(value) =>
          edit(`${label}: its labels`, (now) => ({ circuit: setValue(now, id, 'params', 'labels', value) }))
        }
      />
    );
  });
}

/** Jumpers at a station: those found, and a new one from one terminal to another. */
export function Jumpers({ circuit, station }: { circuit: Circuit; station: string }) {
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
    edit(`Jumper ${nodeName(circuit, from)} to ${nodeName(circuit, terminal)}`, (now) => ({
      circuit: addLink(now, { id: freeLinkId(now), kind: 'jumper', joins: [from, terminal] }),
    }));
    close();
  };
  return (
    <View style={styles.facts}>
      {here.map(({ id, joins }) => (
        <ActionButton
          key={id}
          label={`Jumper ${joins.map((terminal) => nodeName(circuit, terminal)).join(' to ')}: take away`}
          icon="close"
          onPress={() => edit('Took a jumper away', (now) => ({ circuit: removeLink(now, id) }))}
        />
      ))}
      <ActionButton
        label={
          adding ? (from ? `Jumper from ${nodeName(circuit, from)} to…` : 'Jumper from…') : 'Record a jumper'
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
              <ActionButton key={terminal} label={nameAt(circuit, terminal)} onPress={() => pick(terminal)} />
            ))}
        </View>
      ) : null}
    </View>
  );
}

const styles = sheet({
  facts: { gap: 10 },
  terminals: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
