/** What runs in a thread of its own and draws whatever paper it is handed. */
import type { Order } from '.';
import { drawHere } from '.';

export default ({ paper, given }: Order): Promise<Uint8Array | string> => drawHere(paper, ...given);
