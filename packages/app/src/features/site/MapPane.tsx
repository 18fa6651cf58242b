import { View } from 'react-native';
import type { Building, List } from '@zygostat/core/building';
import { mapOf } from '@zygostat/core/building';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

const LAMP = { green: 'green', red: 'red, in alarm', dark: 'no lamp' } as const;

interface MapPaneProps {
  building: Building;
  onOpen: (at: { list: List; id: string }) => void;
}

/** What hangs on which detector, as it was found. */
export function MapPane({ building, onOpen }: MapPaneProps) {
  const t = useTokens();
  const labelOf = (list: List, id: string) => building[list].find((one) => one.id === id)?.label ?? id;
  if (building.detectors.length === 0)
    return <AppText>No detector was written down yet. Add them on the walk, as you find them.</AppText>;
  return (
    <View role="list" aria-label="Map" style={styles.list}>
      {mapOf(building).map(({ detector, stations, thermostats, tied }) => {
        const found = building.detectors.find(({ id }) => id === detector);
        const ink = found?.lamp === 'red' ? t.red : t.line;
        const hung = [
          ...stations.map((id) => ({ list: 'stations', id }) as const),
          ...thermostats.map((id) => ({ list: 'thermostats', id }) as const),
        ];
        return (
          <View
            key={detector ?? 'none'}
            role="listitem"
            style={[styles.card, { backgroundColor: t.card, borderColor: ink }]}
          >
            {found ? (
              <>
                <ActionButton
                  label={found.label}
                  look="plain"
                  onPress={() => onOpen({ list: 'detectors', id: found.id })}
                  style={styles.name}
                />
                <AppText kind="small">
                  {[
                    found.place === 'duct' ? 'in the duct' : 'in the unit',
                    found.unit ? `of ${labelOf('units', found.unit)}` : '',
                    found.lamp ? LAMP[found.lamp] : '',
                    found.loop === null ? '' : found.loop ? 'on the loop' : 'not on the loop',
                    tied.length > 0 ? `tied to ${tied.map((id) => labelOf('detectors', id)).join(', ')}` : '',
                  ]
                    .filter((one) => one !== '')
                    .join(' · ')}
                </AppText>
              </>
            ) : (
              <AppText kind="strong" color={t.amber}>
                Not found to hang on any
              </AppText>
            )}
            {hung.length === 0 ? (
              <AppText kind="small">Nothing was found to hang on it.</AppText>
            ) : (
              <View style={styles.row}>
                {hung.map(({ list, id }) => (
                  <ActionButton key={id} label={labelOf(list, id)} onPress={() => onOpen({ list, id })} />
                ))}
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}

const styles = sheet({
  list: { gap: 10 },
  card: { borderWidth: 1.5, borderRadius: 12, padding: 12, gap: 8 },
  name: { alignSelf: 'flex-start', paddingHorizontal: 0 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
