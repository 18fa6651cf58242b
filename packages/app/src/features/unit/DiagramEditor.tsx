import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import type { WireListProblem } from '@zygostat/core/formats';
import { completions, readWireList, writeWireCsv, writeWireList } from '@zygostat/core/formats';
import type { UnitDiagram } from '@zygostat/core/unit';
import { ActionButton, AppText } from '../../basics';
import { download, fileName } from '../../basics/download';
import { pickFile } from '../../basics/pickFile';
import { sheet, useTokens } from '../../theme';
import { useUnit } from './useUnit';

interface DiagramEditorProps {
  circuit: Circuit;
  station: string;
  diagram: UnitDiagram;
  onTaken: () => void;
}

/** As many problems as are shown at once. */
const MOST_SHOWN = 6;
const LONGEST = 20_000;

const lineAt = (text: string, cursor: number): { from: number; to: number } => ({
  from: text.lastIndexOf('\n', cursor - 1) + 1,
  to: text.indexOf('\n', cursor) < 0 ? text.length : text.indexOf('\n', cursor),
});

/** The end that is being typed: what stands after the colon or the dash before the cursor, and the end before the dash. */
function endBefore(text: string, cursor: number): { from: number; typed: string; first: string } | null {
  const { from } = lineAt(text, cursor);
  const line = text.slice(from, cursor);
  const start = Math.max(line.lastIndexOf(':'), line.lastIndexOf('–'), line.lastIndexOf(' - ') + 1);
  if (start <= 0) return null;
  const at = from + start + 1;
  const typed = text.slice(at, cursor);
  const colon = line.indexOf(':');
  return {
    from: at + typed.length - typed.trimStart().length,
    typed: typed.trim(),
    first: start > colon ? line.slice(colon + 1, start).trim() : '',
  };
}

function Problems({
  problems,
  onPut,
}: {
  problems: readonly WireListProblem[];
  onPut: (line: number, text: string) => void;
}) {
  const t = useTokens();
  return (
    <View role="list" aria-label="Lines to look at" style={styles.problems}>
      {problems.slice(0, MOST_SHOWN).map(({ line, message, instead }) => (
        <View key={`${line} ${message}`} role="listitem" style={styles.problem}>
          <AppText color={t.red}>{`Line ${line}: ${message}.`.replace('?.', '?')}</AppText>
          <View style={styles.chips}>
            {instead.map((text) => (
              <ActionButton key={text} label={text} onPress={() => onPut(line, text)} />
            ))}
          </View>
        </View>
      ))}
      {problems.length > MOST_SHOWN ? (
        <AppText kind="small">{`and ${problems.length - MOST_SHOWN} more lines`}</AppText>
      ) : null}
    </View>
  );
}

/** The unit's diagram as a list, one wire a line, read while it is typed. */
export function DiagramEditor({ circuit, station, diagram, onTaken }: DiagramEditorProps) {
  const { change } = useUnit(circuit);
  const own = useMemo(() => writeWireList(circuit, diagram.wires), [circuit, diagram]);
  const [text, setText] = useState(own);
  const [cursor, setCursor] = useState(text.length);
  const late = useDeferredValue(text);
  const read = useMemo(() => readWireList(late, circuit, station), [late, circuit, station]);
  const end = endBefore(text, cursor);
  const offered = end ? completions(read.ok ? read.circuit : read.soFar, station, end.typed, end.first) : [];
  const complete = (chosen: string) => {
    const rest = text.slice(cursor);
    const joint = end!.first === '' ? ' – ' : '\n';
    const put = `${text.slice(0, end!.from)}${chosen}${joint}`;
    setText(put + rest);
    setCursor(put.length);
  };
  const put = (line: number, instead: string) =>
    setText(
      text
        .split('\n')
        .map((one, i) => (i + 1 === line ? instead : one))
        .join('\n'),
    );
  const take = () => {
    if (!read.ok) return;
    const { circuit: after, wires } = read;
    change('Diagram of the outdoor unit', () => ({ circuit: after, unit: { wires, walked: [] } }));
    onTaken();
  };
  const open = async () => {
    const file = await pickFile('.csv,.txt,text/csv,text/plain');
    if (file) setText((await file.text()).trim());
  };
  const count = read.ok ? read.wires.length : read.read;
  return (
    <>
      <AppText>One wire a line, as the diagram has it: colour, number, and the terminal at each end.</AppText>
      <TextInput
        mode="outlined"
        multiline
        aria-label="Wires of the unit, one a line"
        placeholder={'BN 11: capacitor FAN – fan motor\nBK 1: contactor T1 – compressor C'}
        value={text}
        maxLength={LONGEST}
        autoCorrect={false}
        autoCapitalize="none"
        onChangeText={(typed) => {
          setText(typed);
          setCursor(typed.length === text.length ? cursor : cursor + typed.length - text.length);
        }}
        onSelectionChange={({ nativeEvent: { selection } }) => setCursor(selection.end)}
        style={styles.list}
      />
      {offered.length > 0 ? (
        <View role="group" aria-label="Go on with" style={styles.chips}>
          {offered.map((one) => (
            <ActionButton key={one} label={one} onPress={() => complete(one)} />
          ))}
        </View>
      ) : null}
      <View role="status" aria-live="polite">
        <AppText kind="strong">{count === 1 ? '1 wire read' : `${count} wires read`}</AppText>
      </View>
      {read.ok || text.trim() === '' ? null : <Problems problems={read.problems} onPut={put} />}
      <ActionButton label="Take this diagram" look="filled" disabled={!read.ok} onPress={take} />
      <View style={styles.chips}>
        <ActionButton
          label="Read a file"
          hint="Read a list or CSV file"
          icon="import"
          onPress={() => void open()}
        />
        <ActionButton
          label="Keep as CSV"
          icon="export"
          disabled={!read.ok}
          onPress={() => {
            if (read.ok)
              download(
                `${fileName(circuit.name)}-wires.csv`,
                writeWireCsv(read.circuit, read.wires),
                'text/csv',
              );
          }}
        />
      </View>
    </>
  );
}

const styles = sheet({
  list: { minHeight: 180 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  problems: { gap: 8 },
  problem: { gap: 4 },
});
