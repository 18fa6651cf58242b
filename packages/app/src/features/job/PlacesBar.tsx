import { View } from 'react-native';
import { sheet, useShape, useTokens } from '../../theme';
import type { IconName } from '../../theme/icons';
import { Icon } from '../../theme/icons';
import { AppText, Tap } from '../../basics';
import type { PlaceName } from './address';
import { useGoBackTo } from './address';
import { PLACE_TITLES } from './title';

const ICONS = {
  survey: 'survey',
  plan: 'plan',
  wire: 'wire',
  trace: 'trace',
  record: 'record',
} as const satisfies Record<PlaceName, IconName>;

/** The working places of a job: along the bottom on a phone, down the left on a wide one, and where the window is low. */
export function PlacesBar({ jobId, here }: { jobId: string; here: PlaceName }) {
  const t = useTokens();
  const goBackTo = useGoBackTo(jobId);
  const shape = useShape();
  const upright = shape === 'wide' || shape === 'sideways';
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={[
        upright ? styles.rail : styles.bar,
        shape === 'sideways' ? styles.narrow : null,
        { backgroundColor: t.paper, borderColor: t.line },
      ]}
    >
      {(Object.keys(ICONS) as PlaceName[]).map((name) => {
        const title = PLACE_TITLES[name];
        const ink = name === here ? t.copper : t.mute;
        return (
          <Tap
            key={name}
            role="link"
            aria-label={title}
            {...(name === here && { 'aria-current': 'page' as const })}
            onPress={() => goBackTo(name)}
            style={[
              styles.place,
              shape === 'wide' ? styles.beside : styles.above,
              name === here ? { borderColor: t.copper } : styles.elsewhere,
            ]}
          >
            <Icon name={ICONS[name]} size={22} color={ink} />
            <AppText kind={shape === 'wide' ? 'strong' : 'small'} color={ink}>
              {title}
            </AppText>
          </Tap>
        );
      })}
    </View>
  );
}

const styles = sheet({
  bar: { flexDirection: 'row', borderTopWidth: 1 },
  rail: { width: 96, borderRightWidth: 1, paddingTop: 12, gap: 4 },
  // As high as its window: five places of 48 px fit 256.
  narrow: { width: 64, paddingTop: 0 },
  place: {
    flexGrow: 1,
    flexBasis: 48,
    maxHeight: 56,
    minHeight: 48,
    alignItems: 'center',
    justifyContent: 'center',
    borderTopWidth: 3,
  },
  beside: { flexDirection: 'row', gap: 8 },
  // Five side by side leave room for an icon or a word, not for both.
  above: { flexDirection: 'column', paddingVertical: 4 },
  elsewhere: { borderColor: 'transparent' },
});
