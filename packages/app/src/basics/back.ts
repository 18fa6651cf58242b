import { router } from 'expo-router';

/** Back to where one came from; who came by address goes up. */
export const backOr = (up: '/' | '/settings') => () =>
  router.canGoBack() ? router.back() : router.dismissTo(up);
