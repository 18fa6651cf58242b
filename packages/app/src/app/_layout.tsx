import { Stack, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { View, useColorScheme } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { followFocus } from '../basics/focus';
import { hearKeys } from '../basics/keys';
import { later } from '../features/later';
import { useAppSelector } from '../store';
import { pageStore } from '../store/early';
import { readyOffline } from '../store/offline';
import { dark, glare, light, paperThemes, sheet, TokensContext, usePageTheme } from '../theme';
import { paperIcon } from '../theme/icons';

/** What is opened first has the line to itself for so long before the rest of the app is fetched, ms. */
const SETTLED_MS = 3000;

const SignIn = later(({ SignIn: Screen }) => Screen);

/** What there is to see; behind the door, with what was begun still there, until this device is signed in. */
function Pages() {
  const isShut = useAppSelector(({ door }) => door.isShut);
  const isJoining = usePathname() === '/join';
  const isHidden = isShut && !isJoining;
  return (
    <>
      <View style={isHidden ? styles.hidden : styles.page} aria-hidden={isHidden}>
        <Stack screenOptions={{ headerShown: false, animation: 'none' }} />
      </View>
      {isHidden ? <SignIn /> : null}
    </>
  );
}

function Themed() {
  const choice = useAppSelector(({ settings }) => settings.theme);
  const device = useColorScheme();
  const name = choice === 'system' ? (device === 'dark' ? 'dark' : 'light') : choice;
  const tokens = { light, dark, glare }[name];
  usePageTheme(tokens, name === 'dark');
  return (
    <TokensContext.Provider value={tokens}>
      <PaperProvider theme={paperThemes[name]} settings={{ icon: paperIcon }}>
        <Pages />
      </PaperProvider>
    </TokensContext.Provider>
  );
}

export default function Layout() {
  const [store] = useState(pageStore);
  useEffect(hearKeys, []);
  useEffect(followFocus, []);
  useEffect(() => {
    const timer = setTimeout(() => void readyOffline(), SETTLED_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <Provider store={store}>
      <Themed />
    </Provider>
  );
}

const styles = sheet({ page: { flex: 1 }, hidden: { display: 'none' } });
