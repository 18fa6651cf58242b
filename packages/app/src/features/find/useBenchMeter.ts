import { useEffect, useState } from 'react';
import { streamOf, usePutProbesMutation } from './api';
import type { Probing } from './api';

/** What a meter's display says, as it comes: a figure, `open`, `misused`, or nothing with the probes in the air. */
export type Shown = number | 'open' | 'misused' | null;

interface Stream {
  shown: Shown;
  /** The stream stopped; the browser tries again by itself. */
  lost: boolean;
}

const isShown = (value: unknown): value is Shown =>
  value === null || typeof value === 'number' || value === 'open' || value === 'misused';

/** Puts the probes of a bench meter and shows what it reads, for as long as it is wanted. */
export function useBenchMeter(meter: string | null, probing: Probing | null): Stream {
  const [stream, setStream] = useState<Stream>({ shown: null, lost: false });
  const [putProbes] = usePutProbesMutation();
  const { state, mode, red, black } = probing ?? {};
  useEffect(() => {
    if (meter === null || !state || !mode || !red || !black) return;
    let source: EventSource | null = null;
    let wanted = true;
    void putProbes({ meter, probing: { state, mode, red, black } }).then(({ error }) => {
      if (!wanted) return;
      if (error) return setStream({ shown: null, lost: true });
      source = new EventSource(streamOf(meter));
      source.addEventListener('reading', ({ data }) => {
        const { value } = JSON.parse(data as string) as { value?: unknown };
        setStream({ shown: isShown(value) ? value : null, lost: false });
      });
      source.onerror = () => setStream((now) => ({ ...now, lost: true }));
    });
    return () => {
      wanted = false;
      source?.close();
      setStream({ shown: null, lost: false });
    };
  }, [meter, state, mode, red, black, putProbes]);
  return stream;
}
