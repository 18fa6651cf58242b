import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { circuitToJson } from '@zygostat/core/formats';
import { theModel } from '../../bench/model';
import { useAppDispatch, useAppSelector } from '../../store';
import type { ThemeChoice } from '../../store/settings';
import { themeChosen } from '../../store/settings';
import { sheetOpened } from '../../store/trace';
import { Act, BottomSheet, Options, Words } from '../basics';

/** Hands a text to the browser as a file. */
function download(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

const fileName = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'circuit';

const THEMES: Record<ThemeChoice, string> = { system: 'As the device', light: 'Light', dark: 'Dark' };

/** What is wanted now and then: notes, theme, files out. */
export function MenuSheet({ circuit, notes }: { circuit: Circuit; notes: string }) {
  const dispatch = useAppDispatch();
  const theme = useAppSelector(({ settings }) => settings.theme);
  const { inputs, world } = useAppSelector(({ bench }) => bench);
  const name = fileName(circuit.name);
  const netlist = async () => download(`${name}.cir`, await theModel().netlist(inputs, world), 'text/plain');
  return (
    <BottomSheet title="This job" onClose={() => dispatch(sheetOpened(null))}>
      {notes ? (
        <View>
          <Words kind="strong" heading={3}>
            Notes
          </Words>
          <Words>{notes}</Words>
        </View>
      ) : null}
      <Options
        label="Theme"
        options={THEMES}
        value={theme}
        onChange={(choice) => dispatch(themeChosen(choice))}
      />
      <Act
        label="Save the circuit as a file (JSON)"
        icon="export"
        onPress={() => download(`${name}.json`, circuitToJson(circuit), 'application/json')}
      />
      <Act label="Save a SPICE netlist as it stands" icon="export" onPress={() => void netlist()} />
      <Words kind="small">
        The model helps you think; it does not replace proving dead, the equipment’s own diagram, or local
        code. Those win.
      </Words>
    </BottomSheet>
  );
}
