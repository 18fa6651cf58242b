import type { IconName } from '../../theme/icons';
import { Icon } from '../../theme/icons';
import { AppText, Tap } from '../../basics';
import { sheet } from '../../theme';

interface HeadBannerProps {
  onPress: () => void;
  icon: IconName;
  words: string;
  ink: string;
  fill: string;
}

/** Something that must not be forgotten, under the head of every place of a job; it leads to where it stands. */
export function HeadBanner({ onPress, icon, words, ink, fill }: HeadBannerProps) {
  return (
    <Tap role="link" aria-label={words} onPress={onPress} style={[styles.held, { backgroundColor: fill }]}>
      <Icon name={icon} size={20} color={ink} />
      <AppText kind="strong" color={ink} lines={2} style={styles.words}>
        {words}
      </AppText>
    </Tap>
  );
}

const styles = sheet({
  held: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    minHeight: 44,
    paddingHorizontal: 14,
    marginTop: 4,
    marginBottom: 6,
  },
  words: { flex: 1, fontVariant: ['tabular-nums'] },
});
