/** The worker's thread. It takes a while to come, so whoever knows that it will be wanted starts it before the app is all there. */

let early: Worker | null = null;

/** Bundled apart from the app (`scripts/lib.mjs`): the page can read its pieces when they are wanted, a worker cannot. */
const newWorker = () => new Worker('/model.worker.js');

/** Starts one for whoever asks for the first. */
export function startEarly(): void {
  early ??= newWorker();
}

export function startWorker(): Worker {
  const worker = early ?? newWorker();
  early = null;
  return worker;
}
