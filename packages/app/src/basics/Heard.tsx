import { StyleSheet } from 'react-native';
import { AppText } from './AppText';

/** A heading for who hears the page; who sees it is told by the bars and tabs around. */
export function Heard({ heading }: { heading: string }) {
  return (
    <AppText heading={2} style={styles.unseen}>
      {heading}
    </AppText>
  );
}

const styles = StyleSheet.create({
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden' },
});
