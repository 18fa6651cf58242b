/** What runs in a thread of its own and draws whatever paper it is handed. */
import { move } from 'piscina';
import type { Order } from '.';
import { drawHere } from '.';

/** Whoever leaves ends the thread. */
const NOBODY_LEAVES = new AbortController().signal;

export default async ({ paper, given }: Order) => {
  const drawn = await drawHere(NOBODY_LEAVES, paper, ...given);
  // Handed over as it is where it has its memory to itself: to copy hundreds of megabytes would keep everybody waiting.
  const isWhole = typeof drawn !== 'string' && drawn.byteLength === drawn.buffer.byteLength;
  return isWhole ? move(new Uint8Array(drawn.buffer as ArrayBuffer)) : drawn;
};
