import type { ReactElement } from 'react';
import { configure, render } from '@testing-library/react';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { startJobs } from '../features/job/start';
import { makeStore } from '../store';
import { paperThemes } from '../theme';
import { paperIcon } from '../theme/icons';

configure({ asyncUtilTimeout: 10_000 });

/** Renders inside a store and the theme; gives both back. */
export function renderWithStore(element: ReactElement) {
  const store = makeStore();
  void startJobs(store);
  const screen = render(
    <Provider store={store}>
      <PaperProvider theme={paperThemes.light} settings={{ icon: paperIcon }}>
        {element}
      </PaperProvider>
    </Provider>,
  );
  return { store, screen };
}
