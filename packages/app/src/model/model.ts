/** The worker that holds the model, started on first use. */
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { Model } from './answers';
import { Unanswered, whyOf } from './whyOf';
import type { Started } from './worker';
import { startWorker } from './worker';

type Ask = (...asked: unknown[]) => Promise<unknown>;

/** What can be asked of a thread: whoever waits for an answer hears of it should the thread fail, and does not wait for good. */
function remoteOf({ worker, onFailure }: Started): Remote<Model> {
  const remote = wrap<Model>(worker);
  const asking =
    (ask: Ask): Ask =>
    (...asked) =>
      new Promise((answer, refuse) => {
        const fail = (why: unknown) => refuse(new Unanswered(whyOf(why), { cause: why }));
        const forget = onFailure(fail);
        void ask(...asked)
          .then(answer, fail)
          .finally(forget);
      });
  return new Proxy(remote, { get: (of, name) => asking(Reflect.get(of, name) as Ask) });
}

let model: Remote<Model> | null = null;

/** A model of its own for long work; `stop` ends whatever it is doing. */
export function startModel(): { model: Remote<Model>; stop: () => void } {
  const started = startWorker();
  return { model: remoteOf(started), stop: () => started.worker.terminate() };
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

/** The one model of the page. One that failed is let go: what is asked next is asked of another. */
export function theModel(): Remote<Model> {
  if (model) return model;
  const started = startWorker();
  const asked = remoteOf(started);
  model = asked;
  started.onFailure(() => {
    started.worker.terminate();
    model = null;
  });
  return asked;
}
