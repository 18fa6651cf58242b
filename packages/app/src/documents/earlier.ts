/** What an earlier version kept in another place (localStorage), taken over once so that nothing is lost. */
import { namesKept, readKept, writeKept } from '../store/storage';
import { keep } from './keep';

type Found = Record<string, unknown>;

const isRecord = (found: unknown): found is Found => typeof found === 'object' && found !== null;

/** Document, the word it was kept under, and where its value stood. */
const DOCUMENTS = [
  ['circuit', 'draft', 'circuit'],
  ['survey', 'survey', 'survey'],
  ['plan', 'plan', 'plan'],
] as const;

async function takeOverUnsent(): Promise<void> {
  const found = readKept('unsent');
  const left: unknown[] = [];
  for (const [i, entry] of (Array.isArray(found) ? (found as unknown[]) : []).entries()) {
    if (!isRecord(entry) || typeof entry.id !== 'string') continue;
    const taken = isRecord(entry.reading)
      ? await keep('reading', `earlier-${i}`, {
          jobId: entry.id,
          reading: { id: `earlier-${entry.id}-${i}`, ...entry.reading },
        })
      : await keep('change', entry.id, { id: entry.id, change: entry.change });
    if (!taken) left.push(entry);
  }
  writeKept('unsent', left.length > 0 ? left : undefined);
}

export async function takeOverEarlier(): Promise<void> {
  for (const [name, word, field] of DOCUMENTS)
    for (const jobId of namesKept(word)) {
      const { [field]: value, ...rest } = (readKept(`${word}.${jobId}`) ?? {}) as Found;
      // What could not be put there stays where it is.
      if (value === undefined || (await keep(name, jobId, { ...rest, value })))
        writeKept(`${word}.${jobId}`, undefined);
    }
  await takeOverUnsent();
}
