/**
 * The disk: what the server has not had yet, kept in this browser (IndexedDB) by name and id. A browser that refuses to keep anything
 * costs only what is kept here: what is in hand stays in hand while the page is open, and it is said.
 */
import type { Lying } from '@zygostat/core/sync';
import { keyOf } from '@zygostat/core/sync';
import type { UseStore } from 'idb-keyval';
import { createStore, del, set, values } from 'idb-keyval';

let opened: UseStore | null = null;

/** Written is what lies on the disk, not what is about to be put there: a telephone may run out of power. */
function toTheDisk(asked: UseStore): UseStore {
  return (mode, use) =>
    asked('readonly', ({ name, transaction }) =>
      use(transaction.db.transaction(name, mode, { durability: 'strict' }).objectStore(name)),
    );
}

const unsent = () => (opened ??= toTheDisk(createStore('zygostat', 'unsent')));

/** @returns whether it did what it was asked. */
async function isDone(asked: () => Promise<unknown>): Promise<boolean> {
  try {
    await asked();
    return true;
  } catch {
    return false;
  }
}

/** Puts something on the disk in place of what was there; `false` where this browser keeps nothing. Done in the order it is asked. */
export function lay({ name, id, owner, value, since, order, refused }: Lying): Promise<boolean> {
  const lying: Lying = { name, id, owner, value, since, order, ...(refused !== undefined && { refused }) };
  return isDone(() => set(keyOf(lying), lying, unsent()));
}

export const erase = (named: Pick<Lying, 'name' | 'id'>): Promise<boolean> =>
  isDone(() => del(keyOf(named), unsent()));

const isLying = (found: unknown): found is Lying => {
  const { name, id, owner, since, order } = (found ?? {}) as Partial<Lying>;
  return [name, id, owner].every((text) => typeof text === 'string') && [since, order].every(Number.isFinite);
};

/** All that lies there, in the order it was put there. */
export async function everythingKept(): Promise<readonly Lying[]> {
  let all: unknown[] = [];
  await isDone(async () => {
    all = await values(unsent());
  });
  return all.filter(isLying).sort((one, other) => one.order - other.order);
}
