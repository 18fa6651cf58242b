import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import type { Circuit, Conductor, End, TerminalId } from '@zygostat/core/circuit';
import {
  findConductor,
  findDevice,
  marksOf,
  nodeName,
  splitTerminal,
  setConductor,
} from '@zygostat/core/circuit';
import { COLOUR_CODES } from '@zygostat/core/standards';
import type { UnitDiagram, WalkedWire } from '@zygostat/core/unit';
import { asDrawn, takenApart, walkOf } from '@zygostat/core/unit';
import { wireTitle } from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { Palette } from '../survey/Palette';
import { useTakePhoto } from '../photos/usePhotos';
import { WireName } from '../plan/WireName';
import { useUnit } from './useUnit';

/** Terminals of a station, those of the part a terminal is on first. */
function terminalsNear(circuit: Circuit, terminal: TerminalId): TerminalId[] {
  const { deviceId } = splitTerminal(terminal);
  const { station } = findDevice(circuit, deviceId)!;
  const all = circuit.devices
    .filter((device) => device.station === station)
    .flatMap((device) => marksOf(device).map((mark) => `${device.id}.${mark}`));
  const isHere = (one: TerminalId) => splitTerminal(one).deviceId === deviceId;
  return [...all.filter(isHere), ...all.filter((one) => !isHere(one))];
}

interface EndFoundProps {
  circuit: Circuit;
  title: string;
  drawn: TerminalId;
  found: TerminalId | null;
  onFound: (terminal: TerminalId | null) => void;
}

/** Where an end sits instead: the terminals of its own part first, the others on request. */
function EndFound({ circuit, title, drawn, found, onFound }: EndFoundProps) {
  const [all, setAll] = useState(false);
  const near = terminalsNear(circuit, drawn);
  const own = near.filter((one) => splitTerminal(one).deviceId === splitTerminal(drawn).deviceId);
  return (
    <View role="group" aria-label={title} style={styles.group}>
      <AppText kind="strong">{title}</AppText>
      <View style={styles.chips}>
        {(all ? near : own).map((terminal) => (
          <ActionButton
            key={terminal}
            label={nodeName(circuit, terminal)}
            pressed={terminal === found}
            onPress={() => onFound(terminal)}
          />
        ))}
        <ActionButton
          label="Off"
          hint={`${title}: off`}
          pressed={found === null}
          onPress={() => onFound(null)}
        />
        {all ? null : (
          <ActionButton label="Another part" hint={`${title}: another part`} onPress={() => setAll(true)} />
        )}
      </View>
    </View>
  );
}

interface OtherwiseProps {
  circuit: Circuit;
  conductor: Conductor;
  walked: WalkedWire;
  onChange: (change: Partial<Conductor>) => void;
}

/** What is there instead: each end, the colour, the number. */
function Otherwise({ circuit, conductor, walked: { wire, first }, onChange }: OtherwiseProps) {
  const ends: End[] = first === wire.from ? ['from', 'to'] : ['to', 'from'];
  return (
    <>
      {ends.map((end, i) => (
        <EndFound
          key={end}
          circuit={circuit}
          title={i === 0 ? 'This end is on' : 'Its other end is on'}
          drawn={wire[end]}
          found={conductor[end]}
          onFound={(terminal) => onChange({ [end]: terminal })}
        />
      ))}
      <AppText kind="strong">Its colour</AppText>
      <Palette
        colours={COLOUR_CODES}
        chosen={conductor.colour}
        onPick={(colour) => {
          if (colour) onChange({ colour });
        }}
      />
      <TextInput
        mode="outlined"
        dense
        label="Number printed on it"
        aria-label="Number printed on it"
        value={conductor.number ?? ''}
        maxLength={12}
        onChangeText={(number) => onChange({ number })}
      />
    </>
  );
}

/** A photograph of where the hand is, pinned to its terminal. */
function Photograph({ jobId, station, terminal }: { jobId: string; station: string; terminal: TerminalId }) {
  const { take, busy, trouble } = useTakePhoto(jobId);
  return (
    <>
      <ActionButton
        label={busy ? 'Sending…' : 'Photograph'}
        hint="Photograph it, pinned to this terminal"
        icon="camera"
        disabled={busy}
        onPress={() => void take(station, [{ x: 0.5, y: 0.5, terminal }])}
      />
      {trouble ? <AppText>{trouble}</AppText> : null}
    </>
  );
}

interface WalkCardProps {
  jobId: string;
  circuit: Circuit;
  station: string;
  diagram: UnitDiagram;
  onDone: () => void;
}

/** One wire at a time: read the diagram's line, find both ends, compare, tick or say what is there. */
export function WalkCard({ jobId, circuit, station, diagram, onDone }: WalkCardProps) {
  const t = useTokens();
  const { change } = useUnit(circuit);
  const [other, setOther] = useState(false);
  const [now] = walkOf(diagram);
  const walked = diagram.wires.length - walkOf(diagram).length;
  if (!now)
    return (
      <>
        <AppText kind="strong">{`All ${diagram.wires.length} wires walked.`}</AppText>
        <ActionButton label="What differs" look="filled" onPress={onDone} />
        <ActionButton
          label="Walk again"
          onPress={() => change('Walk again', (_, unit) => ({ unit: { ...unit, walked: [] } }))}
        />
      </>
    );
  const { wire, first, second } = now;
  const conductor = findConductor(circuit, wire.id) ?? { ...wire, from: null, to: null };
  const tick = (asIs: boolean) => {
    change(wireTitle(wire), (before, unit) => ({
      unit: { ...unit, walked: [...unit.walked, wire.id] },
      ...(asIs && { circuit: asDrawn(before, unit, [wire.id]) }),
    }));
    setOther(false);
  };
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="small">{`Wire ${walked + 1} of ${diagram.wires.length}`}</AppText>
      <View role="status" aria-live="polite" style={styles.line}>
        <AppText kind="title" heading={2}>
          {wire.number ? `Number ${wire.number}` : 'No number'}
        </AppText>
        <WireName colour={wire.colour} />
        <AppText kind="strong">{nodeName(circuit, first)}</AppText>
        <AppText kind="strong">{`→ ${nodeName(circuit, second)}`}</AppText>
      </View>
      {other ? (
        <>
          <Otherwise
            circuit={circuit}
            conductor={conductor}
            walked={now}
            onChange={({ number, ...found }) =>
              change(wireTitle(wire), (before) => ({
                circuit: setConductor(before, wire.id, {
                  ...found,
                  ...(number != null && { number: number.trim() === '' ? null : number }),
                }),
              }))
            }
          />
          <ActionButton label="That is how it is, next wire" look="filled" onPress={() => tick(false)} />
        </>
      ) : (
        <>
          <ActionButton label="As drawn, next wire" look="filled" onPress={() => tick(true)} />
          <View style={styles.chips}>
            {walked === 0 ? (
              <ActionButton
                label="It is all apart"
                hint="It is all apart: record every wire as off"
                onPress={() => {
                  change('The unit is taken apart', (before, unit) => ({
                    circuit: takenApart(before, unit),
                    unit: { ...unit, walked: unit.wires.map(({ id }) => id) },
                  }));
                  onDone();
                }}
              />
            ) : null}
            <ActionButton label="Something else is there" onPress={() => setOther(true)} />
            <Photograph jobId={jobId} station={station} terminal={first} />
          </View>
        </>
      )}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 10 },
  line: { gap: 4 },
  group: { gap: 4 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
