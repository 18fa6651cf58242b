/**
 * What the server has not had yet, kept in this browser (IndexedDB) by name and id. A browser that refuses to keep
 * anything costs only what is kept here: what is in hand stays in hand while the page is open, and `waiting.ts` says so.
 */
import type { UseStore } from 'idb-keyval';
import { createStore, entries, get, update } from 'idb-keyval';
import { isKnown, isSame, putWaiting, waitingAs, waitsNoMore, written } from './waiting';

let opened: UseStore | null = null;

/** Written is what lies on the disk, not what is about to be put there: a telephone may run out of power. */
function toTheDisk(asked: UseStore): UseStore {
  return (mode, use) =>
    asked('readonly', ({ name, transaction }) =>
      use(transaction.db.transaction(name, mode, { durability: 'strict' }).objectStore(name)),
    );
}

const unsent = () => (opened ??= toTheDisk(createStore('zygostat', 'unsent')));

const keyOf = (name: string, id: string) => `${name}/${id}`;

/** As it lies there. Earlier versions laid the value there by itself. */
interface Lying {
  kept: unknown;
  /** When it was put there, by this device's clock, ms. */
  since: number;
  /** Later is higher, whatever the clock says. */
  order: number;
  /** What the server, or this version of the app, has against it. */
  refused?: string;
}

const isLying = (found: unknown): found is Lying =>
  typeof found === 'object' && found !== null && 'kept' in found && 'order' in found;

const lyingOf = (found: unknown): Lying | undefined =>
  found === undefined ? undefined : isLying(found) ? found : { kept: found, since: 0, order: 0 };

async function orNothing<T>(asked: () => Promise<T>): Promise<T | undefined> {
  try {
    return await asked();
  } catch {
    return undefined;
  }
}

/** What was kept under a name for a job, unchecked. */
export const kept = async (name: string, id: string): Promise<unknown> =>
  lyingOf(await orNothing(() => get<unknown>(keyOf(name, id), unsent())))?.kept;

let lastOrder = 0;
// A clock that was put back must not turn the order of what was done.
const nextOrder = () => (lastOrder = Math.max(lastOrder + 1, Date.now()));

/** Keeps something; `false` where this browser keeps nothing. It has the place in the order of what it takes the place of. */
export async function keep(name: string, id: string, value: unknown): Promise<boolean> {
  const before = waitingAs(name, id);
  const lying: Lying = {
    kept: value,
    since: before?.since ?? Date.now(),
    order: before?.order ?? nextOrder(),
  };
  // Known at once: what is put there in the same breath must be seen by whoever sends.
  const { since, order } = lying;
  putWaiting({ name, id, value, since, order, isKept: true, isNew: before?.isNew ?? !before });
  const done = await orNothing(async () => {
    await update<unknown>(keyOf(name, id), () => lying, unsent());
    return true;
  });
  written(name, id, value, done ?? false);
  return done ?? false;
}

/** Forgets what is kept, unless something else has been put there since. */
export async function forget(name: string, id: string, value: unknown): Promise<void> {
  waitsNoMore(name, id, value);
  await orNothing(() =>
    update<unknown>(
      keyOf(name, id),
      (found) => (isSame(lyingOf(found)?.kept, value) ? undefined : found),
      unsent(),
    ),
  );
}

/** Says of what is kept that it was refused, and why: it stays until somebody decides. */
export async function refuse(name: string, id: string, why: string): Promise<void> {
  const before = waitingAs(name, id);
  if (before) putWaiting({ ...before, refused: why });
  await orNothing(() =>
    update<unknown>(
      keyOf(name, id),
      (found) => {
        const lying = lyingOf(found);
        return lying && { ...lying, refused: why };
      },
      unsent(),
    ),
  );
}

/** All that is kept under a name, by id, in the order it was put there. */
export async function keptUnder(name: string): Promise<[id: string, value: unknown][]> {
  const all = (await orNothing(() => entries<string, unknown>(unsent()))) ?? [];
  return all
    .flatMap(([key, found]): [string, Lying][] => {
      const lying = lyingOf(found);
      return key.startsWith(`${name}/`) && lying?.kept !== undefined
        ? [[key.slice(name.length + 1), lying]]
        : [];
    })
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id, { kept: value }]) => [id, value]);
}

/** Reads what an earlier visit left under these names: `waiting.ts` then knows of it. */
export async function readWaiting(names: readonly string[]): Promise<void> {
  const all = await orNothing(() => entries<string, unknown>(unsent()));
  for (const [key, found] of all ?? []) {
    const lying = lyingOf(found);
    const at = key.indexOf('/');
    const [name, id] = [key.slice(0, at), key.slice(at + 1)];
    if (lying?.kept === undefined || !names.includes(name)) continue;
    lastOrder = Math.max(lastOrder, lying.order);
    const { kept: value, ...rest } = lying;
    // What was told while this was read may have been sent by now: it does not wait again.
    if (!isKnown(name, id)) putWaiting({ name, id, value, ...rest, isKept: true });
  }
}
