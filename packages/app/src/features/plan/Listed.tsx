import { View } from 'react-native';
import { AppText } from '../../basics';

/** A heading with a list under it; nothing where there is nothing to list. */
export function Listed({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <View>
      <AppText kind="strong">{title}</AppText>
      <View role="list" aria-label={title}>
        {lines.map((line) => (
          <View key={line} role="listitem">
            <AppText>{line}</AppText>
          </View>
        ))}
      </View>
    </View>
  );
}
