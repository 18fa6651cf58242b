import { useState } from 'react';
import { View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import type { Field, NumberField, Value } from '@zygostat/core/devices';
import { fieldIn, readValue, valueIn } from '@zygostat/core/words';
import { Options } from '../../basics';
import { useAppSelector } from '../../store';
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

/** Edits one number: in the person's units, or with a unit typed behind it; what was typed stays until it is right. */
function NumberEditor({
  field,
  value,
  given,
  hint,
  onChange,
}: Omit<FieldEditorProps, 'field' | 'value'> & { field: NumberField; value: number }) {
  const units = useAppSelector(({ settings }) => settings);
  const [typed, setTyped] = useState<string | null>(null);
  const { unit } = fieldIn(field, units);
  const label = unit ? `${field.label}, ${unit}` : field.label;
  const read = typed === null ? { value } : readValue(field, typed, units);
  const problem = 'problem' in read ? read.problem : undefined;
  const commit = () => {
    if (typed === null || !('value' in read)) return;
    if (read.value !== value) onChange(read.value);
    setTyped(null);
  };
  return (
    <View>
      <TextInput
        mode="outlined"
        dense
        label={label}
        aria-label={label}
        value={typed ?? String(valueIn(field, value, units))}
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

/** Edits one number, choice or selection of marks of a device. */
export function FieldEditor({ field, value, given, hint, onChange }: FieldEditorProps) {
  if (field.type === 'choice')
    return <Options label={field.label} options={field.options} value={String(value)} onChange={onChange} />;
  if (field.type === 'marks') return <MarksEditor field={field} value={String(value)} onChange={onChange} />;
  const rest = { given, onChange, ...(hint !== undefined && { hint }) };
  return <NumberEditor field={field} value={Number(value)} {...rest} />;
}
