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
  for (const [i, entry] of (Array.isArray(found) ? (found as unknown[]) : []).entries()) {
    if (!isRecord(entry) || typeof entry.id !== 'string') continue;
    if (isRecord(entry.reading))
      await keep('reading', `earlier-${i}`, {
        jobId: entry.id,
        reading: { id: `earlier-${entry.id}-${i}`, ...entry.reading },
      });
    else await keep('change', entry.id, { id: entry.id, change: entry.change });
  }
  writeKept('unsent', undefined);
}

export async function takeOverEarlier(): Promise<void> {
  for (const [name, word, field] of DOCUMENTS)
    for (const jobId of namesKept(word)) {
      const found = readKept(`${word}.${jobId}`);
      if (isRecord(found)) {
        const { [field]: value, ...rest } = found;
        await keep(name, jobId, { ...rest, value });
      }
      writeKept(`${word}.${jobId}`, undefined);
    }
  await takeOverUnsent();
}
