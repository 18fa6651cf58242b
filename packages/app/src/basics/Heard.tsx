import { AppText } from './AppText';
import { sheet } from '../theme';

/** A heading for who hears the page; who sees it is told by the bars and tabs around. */
export function Heard({ heading }: { heading: string }) {
  return (
    <AppText heading={2} style={styles.unseen}>
      {heading}
    </AppText>
  );
}

const styles = sheet({
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden' },
});
