/** The worker that holds the model, started on first use. */
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { Model } from '../workers/model';

/** Metro bundles the named module as a file of its own and puts its address here. */
declare const require: { unstable_resolveWorker(path: string): string };

let model: Remote<Model> | null = null;

// `new Worker(new URL(…))` would be lost when unused exports are shaken out of the bundle. Two worker files would
// share a piece that workers do not read, so every worker is this one.
const startWorker = () => new Worker(require.unstable_resolveWorker('../workers/bench.worker.ts'));

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
