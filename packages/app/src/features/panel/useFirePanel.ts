import { useEffect, useState } from 'react';
import type { FirePanel } from './api';
import { streamOf, useMakePanelMutation } from './api';

/** How soon a panel that could not be had is asked for again, ms. */
const AGAIN_MS = 3000;

interface Streamed {
  panel: FirePanel | null;
  /** Nothing is heard of it: the browser asks again by itself. */
  lost: boolean;
}

/** The building's panel as it tells of itself, for as long as it is looked at. */
export function useFirePanel({ id, name }: { id: string; name: string }): Streamed {
  const [streamed, setStreamed] = useState<Streamed>({ panel: null, lost: false });
  const [makePanel] = useMakePanelMutation();
  useEffect(() => {
    let source: EventSource | null = null;
    let again: ReturnType<typeof setTimeout> | undefined;
    let wanted = true;
    const listen = async () => {
      const { error } = await makePanel({ id, name });
      if (!wanted) return;
      if (error) {
        setStreamed((now) => ({ ...now, lost: true }));
        again = setTimeout(() => void listen(), AGAIN_MS);
        return;
      }
      source = new EventSource(streamOf(id));
      source.addEventListener('panel', ({ data }) =>
        setStreamed({ panel: JSON.parse(data as string) as FirePanel, lost: false }),
      );
      source.onerror = () => {
        setStreamed((now) => ({ ...now, lost: true }));
        // Refused for good, as when the server had lost its data: it is made and listened to anew.
        if (source?.readyState !== EventSource.CLOSED) return;
        again = setTimeout(() => void listen(), AGAIN_MS);
      };
    };
    void listen();
    return () => {
      wanted = false;
      clearTimeout(again);
      source?.close();
    };
  }, [id, name, makePanel]);
  return streamed;
}
