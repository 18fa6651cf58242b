import { useState } from 'react';
import { View } from 'react-native';
import { useTokens } from '../theme';
import { ActionButton } from './ActionButton';
import { AppText } from './AppText';
import { Field } from './Field';

interface SaveFormProps<Name extends string> {
  fields: Readonly<Record<Name, { label: string; most: number }>>;
  /** As they are on the server. */
  saved: Readonly<Record<Name, string>>;
  saveLabel: string;
  busy: boolean;
  /** What was against the last save. */
  trouble: string | null;
  onSave: (values: Record<Name, string>) => void;
}

/** A few lines of text that are saved together; there is nothing to save until one of them is changed. */
export function SaveForm<Name extends string>(props: SaveFormProps<Name>) {
  const { fields, saved, saveLabel, busy, trouble, onSave } = props;
  const t = useTokens();
  const [values, setValues] = useState<Record<Name, string>>(saved);
  const names = Object.keys(fields) as Name[];
  const trimmed = Object.fromEntries(names.map((name) => [name, values[name].trim()])) as Record<
    Name,
    string
  >;
  return (
    <>
      {names.map((name) => (
        <Field
          key={name}
          {...fields[name]}
          value={values[name]}
          onChange={(value) => setValues((now) => ({ ...now, [name]: value }))}
        />
      ))}
      {trouble === null ? null : (
        <View role="alert">
          <AppText color={t.red}>{trouble}</AppText>
        </View>
      )}
      {names.some((name) => trimmed[name] !== saved[name]) ? (
        <ActionButton label={saveLabel} disabled={busy} onPress={() => onSave(trimmed)} />
      ) : null}
    </>
  );
}
