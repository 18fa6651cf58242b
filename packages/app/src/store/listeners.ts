/** What listens to the store: each part of it says for itself what it does after which action. */
import type { TypedStartListening } from '@reduxjs/toolkit';
import { createListenerMiddleware } from '@reduxjs/toolkit';
import type { AppDispatch, RootState } from './root';

export type Listen = TypedStartListening<RootState, AppDispatch>;

/** Listeners of one store. */
export function makeListeners() {
  const listeners = createListenerMiddleware();
  return {
    middleware: listeners.middleware,
    listen: listeners.startListening.withTypes<RootState, AppDispatch>(),
  };
}
