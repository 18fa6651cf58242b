/** A thread of its own for what takes long: one thing after another, so that nobody else waits for it. */
import { Piscina } from 'piscina';
import { Problem } from './problem';

/** Bundled files of a thread: the one it begins with (`give-way.ts`), and the one that does what it is for. */
export interface ThreadFiles {
  begin: string;
  work: string;
}

interface Aside {
  files: ThreadFiles;
  /** How many may wait while one is done. */
  mostWaiting: number;
  /** A thread that did nothing for so long is ended, ms. */
  idleMs: number;
  /** Memory it may take, MB. */
  mostMb?: number;
  /** What whoever is one too many is told. */
  busy: string;
}

const isFull = (error: unknown) => error instanceof Error && /queue is at limit/i.test(error.message);

/**
 * @returns what has an order done; whoever aborts it ends the thread.
 * @throws Problem 503 where too many wait already.
 */
export function aside<Order, Done>({ files, mostWaiting, idleMs, mostMb, busy }: Aside) {
  const pool = new Piscina<Order, Done>({
    filename: files.begin,
    workerData: { work: files.work },
    minThreads: 0,
    maxThreads: 1,
    maxQueue: mostWaiting,
    idleTimeout: idleMs,
    ...(mostMb !== undefined && { resourceLimits: { maxOldGenerationSizeMb: mostMb } }),
  });
  return async (order: Order, signal: AbortSignal): Promise<Done> => {
    try {
      return await pool.run(order, { signal });
    } catch (error) {
      if (isFull(error)) throw new Problem({ status: 503, title: 'Busy', detail: busy });
      throw error;
    }
  };
}
