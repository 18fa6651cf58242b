import { View } from 'react-native';
import { ActionButton } from './ActionButton';
import { AppText } from './AppText';
import { sheet } from '../theme';

interface OptionsProps<Option extends string> {
  label: string;
  options: Readonly<Record<Option, string>>;
  /** `null` while nothing is chosen. */
  value: Option | null;
  onChange: (value: Option) => void;
}

/** A few choices side by side, the chosen one pressed. */
export function Options<Option extends string>({ label, options, value, onChange }: OptionsProps<Option>) {
  const names = Object.keys(options) as Option[];
  return (
    <View role="group" aria-label={label} style={styles.group}>
      <AppText kind="small">{label}</AppText>
      <View style={styles.row}>
        {names.map((name) => (
          <ActionButton
            key={name}
            label={options[name]}
            hint={`${label}: ${options[name]}`}
            pressed={name === value}
            onPress={() => onChange(name)}
            style={styles.option}
          />
        ))}
      </View>
    </View>
  );
}

const styles = sheet({
  group: { gap: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  option: { flexGrow: 1 },
});
