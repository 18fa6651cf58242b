/** The store of the page, made before the router where it is known what will be wanted of it. */
import type { Store } from '.';
import { makeStore } from '.';

let made: Store | null = null;

/** The same however often it is asked for: the router makes the layout anew when the browser goes back to where the page began. */
export const pageStore = (): Store => (made ??= makeStore());
