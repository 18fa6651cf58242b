/** A process of its own for what takes long: one thing after another, so that nobody else waits for it. */
import { pathToFileURL } from 'node:url';
import { Tinypool } from 'tinypool';
import { Problem } from './problem';

/** Bundled files of a process: what it begins with (`give-way.ts`), and what it is for. */
export interface ProcessFiles {
  begin: string;
  work: string;
}

interface Aside {
  files: ProcessFiles;
  /** How many may wait while one is done. */
  mostWaiting: number;
  /** A process that did nothing for so long is ended, ms. */
  idleMs: number;
  /** Memory its values may take, MB. */
  mostMb?: number;
  /** What whoever is one too many is told. */
  busy: string;
}

const isFull = (error: unknown) => error instanceof Error && /queue is at limit/i.test(error.message);

/**
 * A process shares neither memory nor helping threads with the one that answers, and can be ended at any moment.
 *
 * @returns what has an order done; whoever aborts it ends the process.
 * @throws Problem 503 where too many wait already.
 */
export function aside<Order, Done>({ files, mostWaiting, idleMs, mostMb, busy }: Aside) {
  const pool = new Tinypool({
    runtime: 'child_process',
    filename: pathToFileURL(files.work).href,
    execArgv: [
      '--enable-source-maps',
      `--import=${pathToFileURL(files.begin).href}`,
      ...(mostMb === undefined ? [] : [`--max-old-space-size=${mostMb}`]),
    ],
    env: process.env as Record<string, string>,
    serialization: 'advanced',
    minThreads: 0,
    maxThreads: 1,
    maxQueue: mostWaiting,
    idleTimeout: idleMs,
  });
  // One that dies while it does nothing is missed by nobody: the next order starts another.
  pool.on('error', () => undefined);
  return async (order: Order, signal: AbortSignal): Promise<Done> => {
    try {
      return (await pool.run(order, { signal })) as Done;
    } catch (error) {
      if (isFull(error)) throw new Problem({ status: 503, title: 'Busy', detail: busy });
      throw error;
    }
  };
}
