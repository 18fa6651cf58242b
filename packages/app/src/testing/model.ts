/** The model without a worker between: the same answers, promised. */
import type { Model } from '../model/answers';
import { makeModel } from '../model/answers';

type Promised = { [Name in keyof Model]: (...asked: unknown[]) => Promise<unknown> };

const remote = Object.fromEntries(
  Object.entries(makeModel()).map(([name, answer]) => [
    name,
    (...asked: unknown[]) => Promise.resolve((answer as (...args: unknown[]) => unknown)(...asked)),
  ]),
) as Promised;

/** Stands in for `bench/model`. */
export const theModel = () => remote;
export const startModel = () => ({ model: remote, stop: () => undefined });
export const askAside = <T>(ask: (model: Promised) => Promise<T>) => ask(remote);
