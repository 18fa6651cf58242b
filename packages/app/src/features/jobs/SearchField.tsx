import { TextInput, View } from 'react-native';
import { FONTS, sheet, SIZE, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { ActionButton } from '../../basics';

interface SearchFieldProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
}

/** What is looked for, and a way to look for nothing again. */
export function SearchField({ label, value, onChange }: SearchFieldProps) {
  const t = useTokens();
  return (
    <View style={[styles.field, { backgroundColor: t.card, borderColor: t.mute }]}>
      <Icon name="magnify" color={t.mute} />
      <TextInput
        role="searchbox"
        aria-label={label}
        placeholder={label}
        placeholderTextColor={t.mute}
        value={value}
        onChangeText={onChange}
        inputMode="search"
        style={[styles.input, { color: t.ink }]}
      />
      {value === '' ? null : (
        <ActionButton
          label="Clear the search"
          icon="close"
          look="plain"
          iconOnly
          onPress={() => onChange('')}
        />
      )}
    </View>
  );
}

const styles = sheet({
  field: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    marginHorizontal: 12,
    paddingLeft: 12,
    borderWidth: 1,
    borderRadius: 10,
    minHeight: 48,
  },
  input: { flex: 1, minWidth: 0, height: 46, fontFamily: FONTS.text, fontSize: SIZE.body },
});
