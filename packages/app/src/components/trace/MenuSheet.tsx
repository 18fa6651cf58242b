import { useState } from 'react';
import { TextInput } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { circuitToJson } from '@zygostat/core/formats';
import { theModel } from '../../bench/model';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job } from '../../store/api';
import { problemOf, useChangeJobMutation } from '../../store/api';
import type { ThemeChoice } from '../../store/settings';
import { themeChosen } from '../../store/settings';
import { sheetOpened } from '../../store/trace';
import { useTokens } from '../../theme';
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

const STATES: Record<Job['state'], string> = { open: 'Open', done: 'Done' };
const LONGEST_NOTES = 2000;

/** Notes of the job, saved when the person leaves the field. */
function Notes({ job, save }: { job: Job; save: (notes: string) => void }) {
  const [typed, setTyped] = useState(job.notes);
  return (
    <TextInput
      mode="outlined"
      multiline
      label="Notes"
      aria-label="Notes"
      value={typed}
      maxLength={LONGEST_NOTES}
      onChangeText={setTyped}
      onBlur={() => typed.trim() !== job.notes && save(typed.trim())}
    />
  );
}

/** What is wanted now and then: notes, state, theme, files out. */
export function MenuSheet({ circuit, job }: { circuit: Circuit; job: Job }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const theme = useAppSelector(({ settings }) => settings.theme);
  const { inputs, world } = useAppSelector(({ bench }) => bench);
  const [changeJob, { error }] = useChangeJobMutation();
  const change = (what: Partial<Pick<Job, 'notes' | 'state'>>) =>
    void changeJob({ id: job.id, change: what });
  const name = fileName(circuit.name);
  const netlist = async () => download(`${name}.cir`, await theModel().netlist(inputs, world), 'text/plain');
  return (
    <BottomSheet title={job.name} subtitle={job.system} onClose={() => dispatch(sheetOpened(null))}>
      <Notes job={job} save={(notes) => change({ notes })} />
      <Options
        label="This job is"
        options={STATES}
        value={job.state}
        onChange={(state) => change({ state })}
      />
      {error ? <Words color={t.red}>{problemOf(error).detail}</Words> : null}
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
