import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { findDevice } from '@zygostat/core/circuit';
import { fill, kindOf } from '@zygostat/core/devices';
import { CAPACITOR_TOLERANCE, capacitanceUnderLoad, readWindings } from '@zygostat/core/standards';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

interface Tested {
  /** What is printed on its run capacitor, F; `null` without one. */
  farads: number | null;
  /** It has the three pins of a compressor. */
  windings: boolean;
}

/** What of a device is told good or bad by figures. */
function testedBy(circuit: Circuit, id: string): Tested {
  const { kind, params, settings } = findDevice(circuit, id)!;
  const found = kindOf(kind);
  const context = {
    params: fill(found.params, params),
    settings: fill(found.settings, settings),
    mains: circuit.mains,
  };
  const pins = found.designations(context.params).filter(({ role }) => role === 'winding');
  const windings = pins.length === 3;
  const capacitor = found.elements(context).find(({ kind: nature }) => nature === 'capacitor');
  return { farads: windings && capacitor?.kind === 'capacitor' ? capacitor.farads : null, windings };
}

const figureOf = (text: string): number | null => {
  const figure = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(figure) && figure >= 0 ? figure : null;
};

/** Figures side by side, each with its label; what they come to is for whoever asks. */
function Figures({
  labels,
  onChange,
}: {
  labels: readonly string[];
  onChange: (figures: (number | null)[]) => void;
}) {
  const [texts, setTexts] = useState<readonly string[]>(labels.map(() => ''));
  return (
    <View style={styles.row}>
      {labels.map((label, i) => (
        <TextInput
          key={label}
          mode="outlined"
          dense
          label={label}
          aria-label={label}
          inputMode="decimal"
          value={texts[i]!}
          onChangeText={(text) => {
            const next = texts.map((now, at) => (at === i ? text : now));
            setTexts(next);
            onChange(next.map(figureOf));
          }}
          style={styles.figure}
        />
      ))}
    </View>
  );
}

function Capacitor({ farads, hertz }: { farads: number; hertz: number }) {
  const t = useTokens();
  const [[amps, volts], setFigures] = useState<(number | null)[]>([null, null]);
  const measured = amps != null && volts ? capacitanceUnderLoad(amps, volts, hertz) : null;
  const off = measured === null ? 0 : measured / farads - 1;
  const good = Math.abs(off) <= CAPACITOR_TOLERANCE;
  return (
    <View style={styles.part}>
      <AppText kind="small">{`Run capacitor under load, ${(farads * 1e6).toFixed(0)} µF on its label`}</AppText>
      <AppText kind="small" color={t.amber}>
        While it runs, on line voltage: only for who may work on it here.
      </AppText>
      <Figures labels={['Through it, A', 'Across it, V']} onChange={setFigures} />
      {measured !== null ? (
        <AppText kind="strong" color={good ? t.teal : t.red}>
          {`${(measured * 1e6).toFixed(1)} µF, ${Math.abs(off * 100).toFixed(0)} % ${off < 0 ? 'under' : 'over'} its label: ${good ? 'good' : 'replace it'}`}
        </AppText>
      ) : null}
    </View>
  );
}

function Windings() {
  const t = useTokens();
  const [figures, setFigures] = useState<(number | null)[]>([null, null, null]);
  const [one, two, three] = figures;
  const read = one != null && two != null && three != null ? readWindings([one, two, three]) : null;
  return (
    <View style={styles.part}>
      <AppText kind="small">Windings, power off and the leads off: ohms between the pins, two by two</AppText>
      <Figures labels={['1 to 2, Ω', '2 to 3, Ω', '1 to 3, Ω']} onChange={setFigures} />
      {read ? (
        <AppText kind="strong" color={read.adds ? t.teal : t.red}>
          {`1 to 2 is ${read.pairs[0]}, 2 to 3 is ${read.pairs[1]}, 1 to 3 is ${read.pairs[2]}: ${read.adds ? 'they add up, whole' : 'they do not add up, a winding is bad'}`}
        </AppText>
      ) : null}
    </View>
  );
}

/** What a part is told good or bad by, where figures tell it: a run capacitor under load, a compressor’s windings. */
export function PartFigures({ circuit, device }: { circuit: Circuit; device: string }) {
  const { farads, windings } = testedBy(circuit, device);
  return (
    <>
      {farads === null ? null : <Capacitor farads={farads} hertz={circuit.mains.hertz} />}
      {windings ? <Windings /> : null}
    </>
  );
}

const styles = sheet({
  part: { gap: 4 },
  row: { flexDirection: 'row', gap: 8 },
  figure: { flex: 1, minWidth: 88 },
});
