/** The store, made before the router where it is known what will be wanted of it. */
import type { Store } from '.';
import { makeStore } from '.';

let early: Store | null = null;

export const startStore = (): Store => (early ??= makeStore());

/** The store for the page: the one that was started, once. */
export function takeStore(): Store {
  const store = startStore();
  early = null;
  return store;
}
