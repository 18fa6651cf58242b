import { View } from 'react-native';
import { ActionButton } from './ActionButton';
import { AppText } from './AppText';
import { sheet } from '../theme';

interface PageHeadProps {
  title: string;
  onBack: () => void;
  /** Where back leads, when that is not plain. */
  hint?: string;
}

/** The head of a page outside a job: back, and what it is. */
export function PageHead({ title, onBack, hint }: PageHeadProps) {
  return (
    <View style={styles.head}>
      <ActionButton
        label="Back"
        {...(hint !== undefined && { hint })}
        icon="back"
        look="plain"
        iconOnly
        onPress={onBack}
      />
      <AppText kind="title" heading={1} lines={1} style={styles.title}>
        {title}
      </AppText>
    </View>
  );
}

const styles = sheet({
  head: { flexDirection: 'row', alignItems: 'center', padding: 8, gap: 4 },
  title: { flex: 1 },
});
