import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import type { Circuit, Device } from '@zygostat/core/circuit';
import { nodeName } from '@zygostat/core/circuit';
import type { Capacitance } from '@zygostat/core/devices';
import { contextOf, kindOf } from '@zygostat/core/devices';
import { capacitanceUnderLoad } from '@zygostat/core/standards';
import { capacitorVerdict, nameWindings } from '@zygostat/core/unit';
import { UNIT_BEFORE_POWER, capacitorText, windingText } from '@zygostat/core/words';
import { AppText, Options } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { Listed } from '../plan/Listed';

/** A figure as typed: "OL" and the sign for endless are an open loop; `null` while it is none. */
function figure(text: string): number | null {
  const plain = text.trim().replace(',', '.').toLowerCase();
  if (['ol', 'o.l', 'open', '∞'].includes(plain)) return Infinity;
  const value = Number(plain);
  return plain === '' || !Number.isFinite(value) || value < 0 ? null : value;
}

interface FigureProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
}

function FigureField({ label, value, onChange }: FigureProps) {
  return (
    <TextInput
      mode="outlined"
      dense
      label={label}
      aria-label={label}
      value={value}
      error={value !== '' && figure(value) === null}
      maxLength={12}
      onChangeText={onChange}
      style={styles.field}
    />
  );
}

const PAIRS = ['Leads 1–2, Ω', 'Leads 2–3, Ω', 'Leads 1–3, Ω'] as const;
const SHELL = ['Lead 1 to shell, Ω', 'Lead 2 to shell, Ω', 'Lead 3 to shell, Ω'] as const;

/** A motor by its three leads, whatever they are called. */
function MotorCheck({ device }: { device: Device }) {
  const t = useTokens();
  const [texts, setTexts] = useState<readonly string[]>(['', '', '', '', '', '']);
  const values = texts.map(figure);
  const between = values.slice(0, 3);
  const whole = between.every((value) => value !== null);
  const put = (i: number) => (text: string) => setTexts(texts.map((one, at) => (at === i ? text : one)));
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong" heading={2}>{`${device.label}: its three leads`}</AppText>
      <AppText kind="small">All leads off. OL is an open loop.</AppText>
      <View style={styles.row}>
        {[...PAIRS, ...SHELL].map((label, i) => (
          <FigureField key={label} label={label} value={texts[i]!} onChange={put(i)} />
        ))}
      </View>
      <View role="status" aria-live="polite">
        {whole ? (
          <AppText kind="strong">
            {windingText(
              nameWindings({ between: between as [number, number, number], toShell: values.slice(3) }),
            )}
          </AppText>
        ) : null}
      </View>
    </View>
  );
}

const HOW = { meter: 'Meter, off', load: 'Amperes and volts, running' } as const;

/** A side of a run capacitor: read off the circuit, or told by its own current. */
function CapacitorCheck({ circuit, device, side }: { circuit: Circuit; device: Device; side: Capacitance }) {
  const t = useTokens();
  const [how, setHow] = useState<keyof typeof HOW>('meter');
  const [meter, setMeter] = useState('');
  const [amps, setAmps] = useState('');
  const [volts, setVolts] = useState('');
  const read = figure(meter);
  const [a, v] = [figure(amps), figure(volts)];
  const loaded = a && v && Number.isFinite(a) && Number.isFinite(v);
  const farads =
    how === 'meter'
      ? read !== null && Number.isFinite(read)
        ? read * 1e-6
        : null
      : loaded
        ? capacitanceUnderLoad(a, v, circuit.mains.hertz)
        : null;
  const [one, other] = side.between.map((mark) => nodeName(circuit, `${device.id}.${mark}`));
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong" heading={2}>{`${one!} to ${other!}`}</AppText>
      <Options label="How it is read" options={HOW} value={how} onChange={setHow} />
      {how === 'meter' ? (
        <>
          <AppText kind="small">Power off, proven, discharged, one wire off.</AppText>
          <FigureField label="Reads, µF" value={meter} onChange={setMeter} />
        </>
      ) : (
        <>
          <AppText kind="small">
            Clamp on the wire to the start winding; volts across the capacitor. Live work: the meter way is
            safer.
          </AppText>
          <View style={styles.row}>
            <FigureField label="Start wire, A" value={amps} onChange={setAmps} />
            <FigureField label="Across it, V" value={volts} onChange={setVolts} />
          </View>
        </>
      )}
      <View role="status" aria-live="polite">
        {farads === null ? null : (
          <AppText kind="strong">
            {capacitorText(farads, side.farads, capacitorVerdict(farads, side.farads, side.tolerance))}
          </AppText>
        )}
      </View>
    </View>
  );
}

/** What is measured before the unit gets its power back. */
export function BeforePower({ circuit, station }: { circuit: Circuit; station: string }) {
  const here = circuit.devices.filter((device) => device.station === station);
  const isMotor = ({ kind, params }: Device) =>
    kindOf(kind)
      .designations(params)
      .filter(({ role }) => role === 'winding').length === 3;
  return (
    <>
      {here.filter(isMotor).map((device) => (
        <MotorCheck key={device.id} device={device} />
      ))}
      {here.flatMap((device) =>
        kindOf(device.kind)
          .capacitances(contextOf(device, circuit.mains))
          .map((side) => (
            <CapacitorCheck
              key={`${device.id} ${side.between[1]}`}
              circuit={circuit}
              device={device}
              side={side}
            />
          )),
      )}
      <Listed title="Besides" lines={UNIT_BEFORE_POWER} />
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  field: { flexGrow: 1, flexBasis: 150 },
});
