import { Stack } from 'expo-router';
import { useState } from 'react';
import { useColorScheme } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { makeStore, useAppSelector } from '../store';
import { TokensContext, dark, glare, light, paperThemes, useShippedFonts } from '../theme';
import { paperIcon } from '../theme/icons';

function Themed() {
  const choice = useAppSelector(({ settings }) => settings.theme);
  const device = useColorScheme();
  const name = choice === 'system' ? (device === 'dark' ? 'dark' : 'light') : choice;
  return (
    <TokensContext.Provider value={{ light, dark, glare }[name]}>
      <PaperProvider theme={paperThemes[name]} settings={{ icon: paperIcon }}>
        <Stack screenOptions={{ headerShown: false, animation: 'none' }} />
      </PaperProvider>
    </TokensContext.Provider>
  );
}

export default function Layout() {
  const [store] = useState(makeStore);
  useShippedFonts();
  return (
    <Provider store={store}>
      <Themed />
    </Provider>
  );
}
