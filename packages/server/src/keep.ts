/** `npm run backup [-- FILE]` and `npm run restore -- FILE`. */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Held } from './db/backup';
import { BackupError, backUp, restore } from './db/backup';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const data = process.env.ZYGOSTAT_DATA ?? join(root, 'data');
const database = join(data, 'zygostat.sqlite');

const words = ({ jobs, revisions, entries }: Held) =>
  `${jobs} jobs, ${revisions} circuits, ${entries} entries of records; opened and found whole`;

function keep([what, file]: readonly string[]): string {
  if (what === 'backup') {
    const day = new Date().toISOString().replace(/[:.]/g, '-');
    const to = file ?? join(data, 'backups', `zygostat-${day}.sqlite`);
    return `${to}: ${words(backUp(database, to))}.`;
  }
  if (file === undefined) throw new BackupError('Name the file to restore: npm run restore -- FILE');
  const { held, kept } = restore(file, database);
  return `Restored: ${words(held)}.${kept === null ? '' : ` What stood there before is kept as ${kept}.`}`;
}

try {
  console.log(keep(process.argv.slice(2)));
} catch (error) {
  if (!(error instanceof BackupError)) throw error;
  console.error(error.message);
  process.exit(1);
}
