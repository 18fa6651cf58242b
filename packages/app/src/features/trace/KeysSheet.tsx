import { View } from 'react-native';
import { useAppDispatch } from '../../store';
import { sheetOpened } from './slice';
import { BottomSheet, AppText } from '../../basics';
import { KEYS } from './useTraceKeys';
import { sheet } from '../../theme';

/** The list behind `?`. */
export function KeysSheet() {
  const dispatch = useAppDispatch();
  return (
    <BottomSheet title="Keys" onClose={() => dispatch(sheetOpened(null))}>
      {KEYS.map(({ keys, does }) => (
        <View key={keys} style={styles.row}>
          <AppText kind="mark" style={styles.key}>
            {keys}
          </AppText>
          <AppText>{does}</AppText>
        </View>
      ))}
    </BottomSheet>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 32 },
  key: { width: 96 },
});
