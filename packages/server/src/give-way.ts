/**
 * What a thread begins with. It gives way to the one that answers where both want the same core, and only then reads what it does
 * (`workerData.work`, a bundled file): to read it takes long, too. Linux has a priority for each thread; elsewhere it would be the whole
 * server's.
 */
import { constants, setPriority } from 'node:os';
import { pathToFileURL } from 'node:url';
import { workerData } from 'node:worker_threads';

if (process.platform === 'linux') setPriority(constants.priority.PRIORITY_LOW);

const { work } = workerData as { work: string };
const { default: done } = (await import(pathToFileURL(work).href)) as {
  default: (order: unknown) => unknown;
};

export default done;
