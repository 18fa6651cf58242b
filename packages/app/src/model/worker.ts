/** The worker's thread. It takes a while to come, so whoever knows that it will be wanted starts it before the app is all there. */

/** A thread, and who is to be told should it never come or stop. */
export interface Started {
  worker: Worker;
  /** @param tell - called with why, at once if it has failed already. @returns how to take that back. */
  onFailure: (tell: (why: Error) => void) => () => void;
}

let early: Started | null = null;

/** Bundled apart from the app (`scripts/lib.mjs`): the page can read its pieces when they are wanted, a worker cannot. */
function start(): Started {
  const worker = new Worker('/model.worker.js');
  const waiting = new Set<(why: Error) => void>();
  let failure: Error | null = null;
  // A thread that cannot be read, or throws while it begins, answers nothing that was asked of it, for good.
  worker.addEventListener('error', (event) => {
    event.preventDefault();
    failure = new Error(event.message ? `The model stopped: ${event.message}` : 'The model did not start.');
    for (const tell of waiting) tell(failure);
    waiting.clear();
  });
  const onFailure = (tell: (why: Error) => void) => {
    if (failure) tell(failure);
    else waiting.add(tell);
    return () => void waiting.delete(tell);
  };
  return { worker, onFailure };
}

/** Starts one for whoever asks for the first. */
export function startEarly(): void {
  if (early) return;
  early = start();
  early.onFailure(() => (early = null));
}

export function startWorker(): Started {
  const started = early ?? start();
  early = null;
  return started;
}
