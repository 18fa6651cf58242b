import type { PropsWithChildren } from 'react';
import { Suspense } from 'react';
import { ActivityIndicator } from 'react-native-paper';
import { StyleSheet } from 'react-native';

/** Stands in for a part of the app that is still being read. */
export function Later({ children }: PropsWithChildren) {
  return (
    <Suspense fallback={<ActivityIndicator accessibilityLabel="Opening" style={styles.opening} />}>
      {children}
    </Suspense>
  );
}

const styles = StyleSheet.create({ opening: { marginTop: 60 } });
