/** Whether this device has a network at all, as the browser knows it. */
import { useSyncExternalStore } from 'react';

function listen(changed: () => void): () => void {
  window.addEventListener('online', changed);
  window.addEventListener('offline', changed);
  return () => {
    window.removeEventListener('online', changed);
    window.removeEventListener('offline', changed);
  };
}

export const useSignal = (): boolean => useSyncExternalStore(listen, () => navigator.onLine);
