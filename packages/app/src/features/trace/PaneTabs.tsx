import { View } from 'react-native';
import { sheet, useTokens } from '../../theme';
import { AppText, Tap } from '../../basics';
import type { Pane } from './panes';
import { PANES } from './panes';

interface PaneTabsProps {
  panes: readonly Pane[];
  here: Pane;
  onGo: (pane: Pane) => void;
}

/** The views of Trace side by side, the present one pressed. */
export function PaneTabs({ panes, here, onGo }: PaneTabsProps) {
  const t = useTokens();
  const shown = panes.includes(here) ? here : panes[0];
  return (
    <View style={styles.tabs} role="group" aria-label="Views">
      {panes.map((name) => (
        <Tap
          key={name}
          role="button"
          aria-label={name === 'readings' ? 'Readings log' : PANES[name]}
          aria-pressed={name === shown}
          onPress={() => onGo(name)}
          style={[styles.tab, { borderColor: name === shown ? t.copper : 'transparent' }]}
        >
          <AppText kind="strong" color={name === shown ? t.copper : t.mute}>
            {PANES[name]}
          </AppText>
        </Tap>
      ))}
    </View>
  );
}

const styles = sheet({
  // As wide as its word: seven stand side by side on a phone.
  tab: {
    flexGrow: 1,
    minWidth: 44,
    minHeight: 44,
    alignItems: 'center',
    justifyContent: 'center',
    borderBottomWidth: 3,
  },
  tabs: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingHorizontal: 8, marginTop: 8 },
});
