/** What is tapped most lies under the thumb of the hand that holds the phone. */

import { useAppSelector } from '../../store';
import { sheet } from '../../theme';

const styles = sheet({ mirrored: { flexDirection: 'row-reverse' } });

/** To be put after the style of a row; nothing for the right hand. */
export const useHand = () =>
  useAppSelector(({ settings }) => (settings.hand === 'left' ? styles.mirrored : null));
