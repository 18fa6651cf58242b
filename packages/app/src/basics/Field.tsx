import { TextInput } from 'react-native-paper';

interface FieldProps {
  /** Shown in it while it is empty, over it afterwards; what a screen reader says, unless there is a `hint`. */
  label: string;
  hint?: string;
  value: string;
  most: number;
  multiline?: boolean;
  /** A secret: not shown, and known to what keeps passwords as one. */
  secret?: 'current-password' | 'new-password';
  /** What fills forms knows it as. */
  fills?: 'username' | 'one-time-code';
  onChange: (text: string) => void;
}

/** A line of words, or several. */
export function Field({ label, hint, value, most, multiline = false, secret, fills, onChange }: FieldProps) {
  return (
    <TextInput
      mode="outlined"
      label={label}
      aria-label={hint ?? label}
      value={value}
      maxLength={most}
      multiline={multiline}
      secureTextEntry={secret !== undefined}
      {...((secret ?? fills) && { autoComplete: secret ?? fills, autoCapitalize: 'none' as const })}
      onChangeText={onChange}
    />
  );
}
