/** The worker that holds the model, started on first use. */
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { Model } from '../workers/bench.worker';

/** Metro bundles the named module as a file of its own and puts its address here. */
declare const require: { unstable_resolveWorker(path: string): string };

let model: Remote<Model> | null = null;

export function theModel(): Remote<Model> {
  // `new Worker(new URL(…))` would be lost when unused exports are shaken out of the bundle.
  model ??= wrap<Model>(new Worker(require.unstable_resolveWorker('../workers/bench.worker.ts')));
  return model;
}
