import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { startModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';
import type { Proof } from '@zygostat/core/prove';

interface ProofState {
  /** Circuit it is about; a newer one starts it again. */
  circuit: Circuit;
  done: number;
  all: number;
  proof: Proof | null;
  stopped: boolean;
  /** Why it stopped by itself. */
  failure: string | null;
}

/** How long a circuit must have stood before it is proven, so that a row of edits is proven once. */
const STILL_MS = 400;

const begun = (circuit: Circuit): ProofState => ({
  circuit,
  done: 0,
  all: 0,
  proof: null,
  stopped: false,
  failure: null,
});

/** Proves the circuit by itself whenever it changes; can be stopped and started again. */
export function useProof(circuit: Circuit): ProofState & { stop: () => void; again: () => void } {
  const [state, setState] = useState<ProofState>(() => begun(circuit));
  const [run, setRun] = useState(0);
  const [wanted, setWanted] = useState(true);
  useEffect(() => {
    if (!wanted) return;
    let running: ReturnType<typeof startModel> | null = null;
    const end = () => {
      running?.stop();
      running = null;
    };
    const timer = setTimeout(() => {
      setState(begun(circuit));
      running = startModel();
      const own = running;
      const change = (of: Partial<ProofState>) => running === own && setState((now) => ({ ...now, ...of }));
      const tell = proxy((done: number, all: number) => change({ done, all }));
      own.model
        .prove(circuit, tell)
        .then(
          (proof) => change({ proof }),
          (error: unknown) => {
            change({ stopped: true, failure: whyOf(error) });
            setWanted(false);
          },
        )
        .finally(() => running === own && end());
    }, STILL_MS);
    return () => {
      clearTimeout(timer);
      end();
    };
  }, [circuit, run, wanted]);
  const stop = useCallback(() => {
    setWanted(false);
    setState((now) => ({ ...now, stopped: true }));
  }, []);
  const again = useCallback(() => {
    setWanted(true);
    setRun((count) => count + 1);
  }, []);
  return { ...state, stop, again };
}
