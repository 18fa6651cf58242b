import { startTransition, useCallback, useEffect, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Loom } from '@zygostat/core/drawing';
import { theModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';

/** A circuit, and where everything of it is drawn. */
export interface Laid {
  circuit: Circuit;
  loom: Loom;
}

/** What was laid out already, by circuit and width: one comes back to it without waiting for the model, which may be busy. */
const known = new WeakMap<Circuit, Map<number, Laid>>();

const knownOf = (circuit: Circuit | null, width: number) =>
  (circuit && known.get(circuit)?.get(width)) ?? null;

async function lay(circuit: Circuit, width: number): Promise<Laid> {
  const laid = { circuit, loom: await theModel().loom(circuit, width) };
  known.set(circuit, (known.get(circuit) ?? new Map<number, Laid>()).set(width, laid));
  return laid;
}

/** What of a circuit is drawn, and how far that is behind. */
interface Drawn {
  laid: Laid | null;
  /** Why the circuit as it is now could not be laid out. */
  failure: string | null;
  again: () => void;
}

/**
 * A circuit as it is laid out by the model for a width in px. After a change what was drawn stands until the new one is laid
 * out, and that is drawn a little at a time; `null` until there is any, and at no width.
 */
export function useLaid(circuit: Circuit | null, width: number): Drawn {
  const [laid, setLaid] = useState(() => knownOf(circuit, width));
  const [failed, setFailed] = useState<{ circuit: Circuit; why: string } | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!circuit || width === 0) return;
    let wanted = true;
    const show = (found: Laid) => {
      if (wanted) startTransition(() => setLaid(found));
    };
    const tell = (error: unknown) => {
      if (wanted) setFailed({ circuit, why: whyOf(error) });
    };
    const found = knownOf(circuit, width);
    if (found) show(found);
    else void lay(circuit, width).then(show, tell);
    return () => {
      wanted = false;
    };
  }, [circuit, width, tries]);
  const again = useCallback(() => {
    setFailed(null);
    setTries((n) => n + 1);
  }, []);
  return { laid, failure: failed && failed.circuit === circuit ? failed.why : null, again };
}
