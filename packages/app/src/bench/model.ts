/** The worker that holds the model, started on first use. */
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { Model } from '../workers/bench.worker';

let model: Remote<Model> | null = null;

export function theModel(): Remote<Model> {
  model ??= wrap<Model>(new Worker(new URL('../workers/bench.worker.ts', window.location.href)));
  return model;
}
