/** What runs in a thread of its own and draws whatever paper it is handed. */
import type { Order } from '.';
import { drawHere } from '.';

/** Whoever leaves ends the thread. */
const NOBODY_LEAVES = new AbortController().signal;

export default ({ paper, given }: Order): Promise<Uint8Array | string> =>
  drawHere(NOBODY_LEAVES, paper, ...given);
