/** The way to the screens beyond the list of jobs. */
import type { ComponentType } from 'react';
import { Suspense, lazy } from 'react';
import { StyleSheet, View } from 'react-native';
import type * as beyond from './beyond';
import { Waiting } from '../basics';
import { useTokens } from '../theme';

type Beyond = typeof beyond;

/** Reads them, once. Whoever is about to want one says so early. */
export const readBeyond = (): Promise<Beyond> => import('./beyond');

function Reading() {
  const t = useTokens();
  return (
    <View style={[styles.page, { backgroundColor: t.paper }]} role="main">
      <Waiting label="Opening" />
    </View>
  );
}

/** A screen that is read when first wanted; it turns a ring until it is there. */
export function later<Props extends object>(
  pick: (beyond: Beyond) => ComponentType<Props>,
): ComponentType<Props> {
  const Screen = lazy(async () => ({ default: pick(await readBeyond()) })) as unknown as ComponentType<Props>;
  return function Later(props: Props) {
    return (
      <Suspense fallback={<Reading />}>
        <Screen {...props} />
      </Suspense>
    );
  };
}

const styles = StyleSheet.create({ page: { flex: 1, justifyContent: 'center' } });
