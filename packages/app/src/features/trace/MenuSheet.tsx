import { router } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { TextInput } from 'react-native-paper';
import type { Circuit } from '@zygostat/core/circuit';
import { circuitToJson } from '@zygostat/core/formats';
import { download, fileName } from '../../basics/download';
import { theModel } from '../../model/model';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job, JobChange } from '../jobs/api';
import { sheetOpened } from './slice';
import { changeKey, changesOutbox } from '../jobs/outbox';
import { useTokens } from '../../theme';
import { ActionButton, BottomSheet, Options, AppText } from '../../basics';

const STATES: Record<Job['state'], string> = { open: 'Open', done: 'Done' };
const LONGEST_NOTES = 2000;
const LONGEST_NAME = 80;

interface KeptProps {
  label: string;
  most: number;
  isLong?: true;
  /** What is left empty is put back as it was. */
  isNeeded?: true;
  kept: string;
  save: (text: string) => void;
}

/** A line of the job's own, such as its notes, saved when the person leaves the field, however it is left. */
function Kept({ label, most, isLong, isNeeded, kept, save }: KeptProps) {
  const [typed, setTyped] = useState(kept);
  const latest = useRef({ typed, saved: kept, save, isNeeded });
  useEffect(() => {
    latest.current = { ...latest.current, typed, save, isNeeded };
  });
  const leave = () => {
    const { typed: now, saved, save: keep, isNeeded: isAsked } = latest.current;
    const text = now.trim();
    const isBare = isAsked && text === '';
    if (isBare) setTyped(saved);
    if (text === saved || isBare) return;
    latest.current.saved = text;
    keep(text);
  };
  useEffect(() => leave, []);
  return (
    <TextInput
      mode="outlined"
      {...(isLong && { multiline: true })}
      label={label}
      aria-label={label}
      value={typed}
      maxLength={most}
      onChangeText={setTyped}
      onBlur={leave}
    />
  );
}

/** What is wanted now and then: notes, state, theme, files out. */
export function MenuSheet({ circuit, job }: { circuit: Circuit; job: Job }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { inputs, world } = useAppSelector(({ bench }) => bench);
  const symbols = useAppSelector(({ settings }) => settings.symbols);
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = async (what: JobChange['change']) => {
    const made = { id: job.id, change: what };
    const done = await dispatch(changesOutbox.deliver(changeKey(made), made));
    setTrouble(done.type === 'refused' ? done.detail : null);
  };
  const name = fileName(circuit.name);
  const netlist = async () => download(`${name}.cir`, await theModel().netlist(inputs, world), 'text/plain');
  const drawing = async (which: 'loom' | 'ladder') =>
    download(`${name}-${which}.svg`, await theModel().drawing(circuit, which, symbols), 'image/svg+xml');
  return (
    <BottomSheet title={job.name} subtitle={job.system} onClose={() => dispatch(sheetOpened(null))}>
      <Kept
        label="Name of the job"
        most={LONGEST_NAME}
        isNeeded
        kept={job.name}
        save={(called) => void change({ name: called, was: { name: job.name } })}
      />
      <Kept
        label="Notes"
        most={LONGEST_NOTES}
        isLong
        kept={job.notes}
        save={(notes) => void change({ notes, was: { notes: job.notes } })}
      />
      <Options
        label="This job is"
        options={STATES}
        value={job.state}
        onChange={(state) => void change({ state })}
      />
      <ActionButton
        label={job.isAway ? 'Bring this job back to the list' : 'Put this job away'}
        icon="archive"
        onPress={() => void change({ isAway: !job.isAway })}
      />
      {trouble === null ? null : <AppText color={t.red}>{trouble}</AppText>}
      <ActionButton
        label="Revisions: who changed what"
        icon="clock"
        onPress={() => dispatch(sheetOpened({ type: 'revisions' }))}
      />
      <ActionButton
        label="Settings: units, symbols, theme"
        icon="settings"
        onPress={() => {
          dispatch(sheetOpened(null));
          router.push('/settings');
        }}
      />
      <ActionButton
        label="Save the circuit as a file (JSON)"
        icon="export"
        onPress={() => download(`${name}.json`, circuitToJson(circuit), 'application/json')}
      />
      <ActionButton label="Save a SPICE netlist as it stands" icon="export" onPress={() => void netlist()} />
      <ActionButton
        label="Save the loom as a drawing (SVG)"
        icon="export"
        onPress={() => void drawing('loom')}
      />
      <ActionButton
        label="Save the ladder as a drawing (SVG)"
        icon="export"
        onPress={() => void drawing('ladder')}
      />
      <AppText kind="small">
        The model helps you think; it does not replace proving dead, the equipment’s own diagram, or local
        code. Those win.
      </AppText>
    </BottomSheet>
  );
}
