/** The worker that holds the model, started on first use. */
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { Model } from './answers';
import { startWorker } from './worker';

let model: Remote<Model> | null = null;

/** A model of its own for long work; `stop` ends whatever it is doing. */
export function startModel(): { model: Remote<Model>; stop: () => void } {
  const worker = startWorker();
  return { model: wrap<Model>(worker), stop: () => worker.terminate() };
}

/** Asks a model of its own one thing and lets it go. */
export async function askAside<T>(ask: (model: Remote<Model>) => Promise<T>): Promise<T> {
  const { model: aside, stop } = startModel();
  try {
    return await ask(aside);
  } finally {
    stop();
  }
}

export function theModel(): Remote<Model> {
  model ??= wrap<Model>(startWorker());
  return model;
}
