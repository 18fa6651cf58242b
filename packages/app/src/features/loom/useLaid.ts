import { startTransition, useCallback, useEffect, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Loom } from '@zygostat/core/drawing';
import { theModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';
import type { Store } from '../../store';
import { useAppStore } from '../../store';
import { WIDE } from '../../theme';

/** A circuit, and where everything of it is drawn. */
export interface Laid {
  circuit: Circuit;
  loom: Loom;
}

/** A circuit laid out for a width, or about to be. */
interface Laying {
  laid: Laid | null;
  done: Promise<Laid>;
}

/** What was laid out already, by circuit and width: one comes back to it without waiting for the model, which may be busy. */
const layings = () => new WeakMap<Circuit, Map<number, Laying>>();

const knownOf = ({ own }: Store, circuit: Circuit | null, width: number) =>
  (circuit && own(layings).get(circuit)?.get(width)?.laid) ?? null;

function lay({ own }: Store, circuit: Circuit, width: number): Promise<Laid> {
  const known = own(layings);
  const widths = known.get(circuit) ?? new Map<number, Laying>();
  known.set(circuit, widths);
  const begun = widths.get(width);
  if (begun) return begun.done;
  const layOut = async () => {
    try {
      const laid = { circuit, loom: await theModel().loom(circuit, width) };
      widths.set(width, { laid, done: Promise.resolve(laid) });
      return laid;
    } catch (error) {
      widths.delete(width);
      throw error;
    }
  };
  const done = layOut();
  widths.set(width, { laid: null, done });
  return done;
}

/** Wider than this a loom only spreads, px. */
const WIDEST = 1200;

/** The width a loom is laid out for in so much room, px. */
export const loomWidth = (room: number): number => Math.min(Math.floor(room), WIDEST);

/** Lays a circuit out as it will be wanted across a phone, before there is anything to show it in. */
export function layEarly(store: Store, circuit: Circuit | null): void {
  if (circuit && window.innerWidth < WIDE)
    lay(store, circuit, loomWidth(window.innerWidth)).catch(() => undefined);
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
  const store = useAppStore();
  const [laid, setLaid] = useState(() => knownOf(store, circuit, width));
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
    const found = knownOf(store, circuit, width);
    if (found) show(found);
    else void lay(store, circuit, width).then(show, tell);
    return () => {
      wanted = false;
    };
  }, [store, circuit, width, tries]);
  const again = useCallback(() => {
    setFailed(null);
    setTries((n) => n + 1);
  }, []);
  const isBehind = laid?.circuit !== circuit;
  return { laid, failure: isBehind && failed?.circuit === circuit ? failed.why : null, again };
}
