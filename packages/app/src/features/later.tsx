/** The way to the screens beyond the list of jobs. */
import type { ComponentType } from 'react';
import { Suspense, lazy, useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Store } from '../store';
import { useAppStore } from '../store';
import type * as beyond from './beyond';
import { Waiting } from '../basics';
import { painted } from '../basics/painted';
import { sheet, useTokens } from '../theme';

type Beyond = typeof beyond;

/** They, once they are read. */
const known = (): { beyond: Beyond | null } => ({ beyond: null });

/** Reads them, once. Whoever is about to want one says so early. */
export async function readBeyond(store: Store): Promise<Beyond> {
  return (store.own(known).beyond ??= await import('./beyond'));
}

/** Begins to open a job that was pressed: it is read while its screen is made, and put on the bench after that is seen. */
export function openSoon(store: Store, id: string): void {
  // The press is seen first, then the screen.
  store.own(known).beyond?.openEarly(store, id, painted().then(painted));
}

/** How long the list of jobs has to itself before what comes next is fetched, ms. */
const QUIET_MS = 1500;

/** Once the list of jobs is there and nothing is to be done: reads what comes next, and starts the model. */
export function useReadEarly(isShown: boolean): Beyond | null {
  const store = useAppStore();
  const [beyond, setBeyond] = useState(store.own(known).beyond);
  useEffect(() => {
    if (!isShown) return;
    const start = async () => {
      const found = await readBeyond(store);
      setBeyond(found);
      // A job is what comes next: the other screens are made out when they are wanted.
      void found.JobPlaces;
      found
        .theModel()
        .warmUp()
        .catch(() => undefined);
    };
    const timer = setTimeout(() => void start(), QUIET_MS);
    return () => clearTimeout(timer);
  }, [isShown, store]);
  return beyond;
}

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
  /** The same for as long as the page, or it would be made anew. */
  const screen = (store: Store) =>
    lazy(async () => ({ default: pick(await readBeyond(store)) })) as unknown as ComponentType<Props>;
  return function Later(props: Props) {
    const store = useAppStore();
    // What has been read is shown at once: to wait for nothing costs a frame or two.
    const [Known] = useState(() => {
      const { beyond } = store.own(known);
      return beyond && pick(beyond);
    });
    if (Known) return <Known {...props} />;
    const Screen = store.own(screen);
    return (
      <Suspense fallback={<Reading />}>
        <Screen {...props} />
      </Suspense>
    );
  };
}

const styles = sheet({ page: { flex: 1, justifyContent: 'center' } });
