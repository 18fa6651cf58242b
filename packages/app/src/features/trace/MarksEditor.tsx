import { useState } from 'react';
import { View } from 'react-native';
import { HelperText } from 'react-native-paper';
import type { MarksField } from '@zygostat/core/devices';
import { complaint, marksIn, toggleMark } from '@zygostat/core/devices';
import { ActionButton, Options } from '../../basics';
import { sheet } from '../../theme';

interface MarksEditorProps {
  field: MarksField;
  value: string;
  onChange: (value: string) => void;
}

/** Picks a ready-made set of screws, or changes it mark by mark; a selection that cannot be is told and not taken. */
export function MarksEditor({ field, value, onChange }: MarksEditorProps) {
  const [refused, setRefused] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const { marks, sets } = field;
  const shown = refused ?? value;
  const chosen = marksIn(field, shown);
  const set = sets[shown];
  const own = set ? {} : { [shown]: chosen.map((mark) => marks[mark]!.shown).join(' ') };
  const take = (next: string) => {
    const fits = complaint(field, next) === undefined;
    setRefused(fits ? null : next);
    if (fits) onChange(next);
  };
  const labels = Object.fromEntries(Object.entries(sets).map(([id, { label }]) => [id, label]));
  return (
    <View style={styles.editor}>
      <Options label={field.label} options={{ ...labels, ...own }} value={shown} onChange={take} />
      <ActionButton
        label={open ? 'Hide the marks' : 'Change it mark by mark'}
        hint={`${field.label}: ${open ? 'hide the marks' : 'change it mark by mark'}`}
        onPress={() => setOpen(!open)}
      />
      {open ? (
        <View role="group" aria-label={`${field.label}, mark by mark`} style={styles.marks}>
          {Object.entries(marks).map(([mark, rule]) => (
            <ActionButton
              key={mark}
              label={rule.shown}
              hint={`${field.label}: ${rule.shown}`}
              pressed={chosen.includes(mark)}
              disabled={set?.whole}
              onPress={() => take(toggleMark(field, shown, mark))}
              style={styles.mark}
            />
          ))}
        </View>
      ) : null}
      {open && set?.whole ? (
        <HelperText type="info" visible>
          {`${set.label}: what its screws mean hangs together. Pick another set to change it mark by mark.`}
        </HelperText>
      ) : null}
      {refused === null ? null : (
        <HelperText type="error" visible>
          {`${field.label} ${complaint(field, refused)}. Not taken yet.`}
        </HelperText>
      )}
    </View>
  );
}

const styles = sheet({
  editor: { gap: 8 },
  marks: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  mark: { minWidth: 64 },
});
