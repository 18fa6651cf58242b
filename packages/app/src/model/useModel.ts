import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { Model } from './answers';
import { theModel } from './model';

/** What the model makes of something, asked anew whenever `ask` changes; `null` until it has answered. */
export function useModel<T>(ask: (model: Remote<Model>) => Promise<T>): T | null {
  const [answer, setAnswer] = useState<{ value: T } | null>(null);
  useEffect(() => {
    let wanted = true;
    void ask(theModel()).then((value) => {
      if (wanted) setAnswer({ value });
    });
    return () => {
      wanted = false;
    };
  }, [ask]);
  // An older answer stands until the new one is there, so that the page does not flicker.
  return answer?.value ?? null;
}
