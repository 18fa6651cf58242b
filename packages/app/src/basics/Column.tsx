import type { PropsWithChildren } from 'react';
import { View } from 'react-native';
import { sheet, useTokens } from '../theme';

/** A page of one column, no wider than is comfortable to read. */
export function Column({ children }: PropsWithChildren) {
  const t = useTokens();
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      <View style={styles.column}>{children}</View>
    </View>
  );
}

const styles = sheet({
  page: { flex: 1, alignItems: 'center' },
  column: { flex: 1, width: '100%', maxWidth: 720 },
});
