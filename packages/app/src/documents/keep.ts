/**
 * What the server has not had yet, kept in this browser (IndexedDB) by name and job. A browser that refuses to keep
 * anything costs only what is kept here: what is in hand stays in hand while the page is open.
 */
import { createStore, entries, get, set, update } from 'idb-keyval';

let opened: ReturnType<typeof createStore> | null = null;
const unsent = () => (opened ??= createStore('zygostat', 'unsent'));

const keyOf = (name: string, jobId: string) => `${name}/${jobId}`;

async function orNothing<T>(asked: () => Promise<T>): Promise<T | undefined> {
  try {
    return await asked();
  } catch {
    return undefined;
  }
}

/** What was kept under a name for a job, unchecked. */
export const kept = (name: string, jobId: string): Promise<unknown> =>
  orNothing(() => get<unknown>(keyOf(name, jobId), unsent()));

/** Keeps something; `false` where this browser keeps nothing. */
export const keep = async (name: string, jobId: string, value: unknown): Promise<boolean> =>
  (await orNothing(async () => {
    await set(keyOf(name, jobId), value, unsent());
    return true;
  })) ?? false;

/** Forgets what is kept, unless something else has been put there since. */
export const forget = (name: string, jobId: string, value: unknown): Promise<void> =>
  orNothing(() =>
    update<unknown>(
      keyOf(name, jobId),
      (found) => (JSON.stringify(found) === JSON.stringify(value) ? undefined : found),
      unsent(),
    ),
  );

/** All that is kept under a name, by job. */
export async function keptUnder(name: string): Promise<[jobId: string, value: unknown][]> {
  const all = (await orNothing(() => entries<string, unknown>(unsent()))) ?? [];
  return all.flatMap(([key, value]): [string, unknown][] =>
    key.startsWith(`${name}/`) && value !== undefined ? [[key.slice(name.length + 1), value]] : [],
  );
}
