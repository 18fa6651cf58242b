import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { ProcessFiles } from '../pool';
import { aside } from '../pool';
import { inFolder } from '../temporary';
import type { Draw } from '.';
import type { PaperDone, PaperOrder } from './work';

/** Papers that wait while one is drawn. */
const MOST_WAITING = 12;

/**
 * Papers drawn in a process of their own, one after another: a diagram laid out for paper takes a second or two, and whoever works on
 * another job does not wait for it. What nobody waits for any more is not drawn to its end.
 */
export function drawAside(files: ProcessFiles): Draw {
  const draw = aside<PaperOrder, PaperDone>({
    files,
    mostWaiting: MOST_WAITING,
    // It holds the model and the type in memory.
    idleMs: 60_000,
    busy: `${MOST_WAITING} printouts are waiting already. Try again in a minute.`,
  });
  return (left, paper, ...given) =>
    inFolder(async (folder) => {
      const file = join(folder, 'paper');
      return (await draw({ paper, given, file }, left)) ?? readFile(file);
    });
}
