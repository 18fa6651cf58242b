import { ScrollView } from 'react-native';
import { ActionButton } from '../../basics';
import { sheet } from '../../theme';

interface StepsProps<Name extends string> {
  label: string;
  /** In their order; what has no title here is no step here. */
  titles: Readonly<Partial<Record<Name, string>>>;
  here: Name;
  onGo: (name: Name) => void;
}

/** The steps of a place side by side, the present one pressed; they scroll where they do not fit. */
export function Steps<Name extends string>({ label, titles, here, onGo }: StepsProps<Name>) {
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      style={styles.strip}
      contentContainerStyle={styles.tabs}
      role="group"
      aria-label={label}
    >
      {(Object.keys(titles) as Name[]).map((name) => (
        <ActionButton
          key={name}
          label={titles[name]!}
          pressed={name === here}
          onPress={() => onGo(name)}
          style={styles.tab}
        />
      ))}
    </ScrollView>
  );
}

const styles = sheet({
  strip: { flexGrow: 0 },
  tabs: { flexDirection: 'row', gap: 8, paddingHorizontal: 12, paddingVertical: 8, flexGrow: 1 },
  tab: { flexGrow: 1, paddingHorizontal: 8 },
});
