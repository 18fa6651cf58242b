import { useState } from 'react';
import { View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import type { Field, Value } from '@zygostat/core/devices';
import { complaint } from '@zygostat/core/devices';
import { Options } from '../../basics';
import { MarksEditor } from './MarksEditor';

interface FieldEditorProps {
  field: Field;
  value: Value;
  /** Whether the document says it, or it is the kind's default. */
  given: boolean;
  /** Said under it instead of where its value is from. */
  hint?: string;
  onChange: (value: Value) => void;
}

/** Edits one number, choice or selection of marks of a device; says what would be valid and keeps what was typed. */
export function FieldEditor({ field, value, given, hint, onChange }: FieldEditorProps) {
  const [typed, setTyped] = useState<string | null>(null);
  if (field.type === 'choice')
    return <Options label={field.label} options={field.options} value={String(value)} onChange={onChange} />;
  if (field.type === 'marks') return <MarksEditor field={field} value={String(value)} onChange={onChange} />;
  const text = typed ?? String(value);
  const label = field.unit ? `${field.label}, ${field.unit}` : field.label;
  const problem = complaint(field, text.trim() === '' ? NaN : Number(text));
  const commit = () => {
    if (typed === null || problem !== undefined) return;
    if (Number(typed) !== value) onChange(Number(typed));
    setTyped(null);
  };
  return (
    <View>
      <TextInput
        mode="outlined"
        dense
        label={label}
        aria-label={label}
        value={text}
        inputMode="decimal"
        error={problem !== undefined}
        onChangeText={setTyped}
        onBlur={commit}
        onSubmitEditing={commit}
      />
      <HelperText type={problem ? 'error' : 'info'} visible>
        {problem
          ? `${field.label} ${problem}.`
          : (hint ?? (given ? 'As entered.' : `Default, ${field.source}.`))}
      </HelperText>
    </View>
  );
}
