import { useEffect } from 'react';
import { useStore } from 'react-redux';
import type { Store } from '../../store';

interface OpenDocument {
  jobId: string;
  /** The store holds this job's already. */
  ready: boolean;
  /** Asks the server and puts what it says, and what was kept here on top, into the store. */
  open: (store: Store, wanted: () => boolean) => Promise<void>;
}

/** Opens a document of the job (its survey, its plan) once; `open` must not change from render to render. */
export function useOpenDocument({ jobId, ready, open }: OpenDocument): boolean {
  const store = useStore() as unknown as Store;
  useEffect(() => {
    if (ready) return;
    let wanted = true;
    void open(store, () => wanted);
    return () => {
      wanted = false;
    };
  }, [store, jobId, ready, open]);
  return ready;
}
