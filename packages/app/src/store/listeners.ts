/** What listens to the store: each feature says for itself what it does after which action. */
import { addListener } from '@reduxjs/toolkit';
import type { AppDispatch, RootState } from './root';

/** What to dispatch for something to be done after an action. */
export const addAppListener = addListener.withTypes<RootState, AppDispatch>();
