import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { startModel } from '../../model/model';
import type { Proof } from '@zygostat/core/prove';

interface ProofState {
  /** Circuit it is about; a newer one starts it again. */
  circuit: Circuit;
  done: number;
  all: number;
  proof: Proof | null;
  stopped: boolean;
}

/** How long a circuit must have stood before it is proven, so that a row of edits is proven once. */
const STILL_MS = 400;

/** Proves the circuit by itself whenever it changes; can be stopped and started again. */
export function useProof(circuit: Circuit): ProofState & { stop: () => void; again: () => void } {
  const [state, setState] = useState<ProofState>({ circuit, done: 0, all: 0, proof: null, stopped: false });
  const [run, setRun] = useState(0);
  const [wanted, setWanted] = useState(true);
  useEffect(() => {
    if (!wanted) return;
    let running: ReturnType<typeof startModel> | null = null;
    const timer = setTimeout(() => {
      setState({ circuit, done: 0, all: 0, proof: null, stopped: false });
      running = startModel();
      const tell = proxy((done: number, all: number) => setState((now) => ({ ...now, done, all })));
      void running.model.prove(circuit, tell).then((proof) => {
        setState((now) => ({ ...now, proof }));
        running?.stop();
      });
    }, STILL_MS);
    return () => {
      clearTimeout(timer);
      running?.stop();
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
