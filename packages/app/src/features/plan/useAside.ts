import { proxy } from 'comlink';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { startModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';
import { useKept } from './lasting';
import type { Model } from '../../model/answers';

/** How far a question is; `all` is 0 before the first word of it. */
export interface Progress {
  what: string;
  done: number;
  all: number;
}

type Tell = (what: string, done: number, all: number) => void;

/**
 * A long question to a model of its own: asked when told to, stopped when not wanted any more. What asks the same way
 * again finds the last answer; whether it is to what stands now is for the asker to see.
 */
export function useAside<Q, A>(ask: (model: Remote<Model>, question: Q, tell: Tell) => Promise<A>) {
  const kept = useKept();
  const [progress, setProgress] = useState<Progress | null>(null);
  const [answer, setAnswer] = useState(() => (kept.get(ask) as { to: Q; value: A } | undefined) ?? null);
  const [failure, setFailure] = useState<string | null>(null);
  const running = useRef<{ stop: () => void } | null>(null);
  const stop = useCallback(() => {
    running.current?.stop();
    running.current = null;
    setProgress(null);
  }, []);
  useEffect(() => stop, [stop]);
  const start = useCallback(
    async (question: Q) => {
      stop();
      setFailure(null);
      setAnswer(null);
      setProgress({ what: '', done: 0, all: 0 });
      const own = startModel();
      running.current = own;
      try {
        const value = await ask(
          own.model,
          question,
          // How far it is goes another way than the answer, and may come after it.
          proxy((what: string, done: number, all: number) => {
            if (running.current === own) setProgress({ what, done, all });
          }),
        );
        if (running.current !== own) return;
        kept.set(ask, { to: question, value });
        setAnswer({ to: question, value });
      } catch (error) {
        if (running.current === own) setFailure(whyOf(error));
      }
      if (running.current === own) stop();
    },
    [ask, kept, stop],
  );
  return { progress, answer, failure, start, stop };
}
