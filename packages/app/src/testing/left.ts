/** What an earlier visit left on the disk, for tests. */
import type { Draft } from '@zygostat/core/sync';
import { everythingKept, lay } from '../documents/keep';

let order = 1;

/** Something that was to be told. */
export const leftTold = (name: string, id: string, owner: string, value: unknown): Promise<boolean> =>
  lay({ name, id, owner, value, since: 1, order: order++ });

/** A change of a document. */
export const leftDraft = (name: string, id: string, draft: Partial<Draft> | string): Promise<boolean> =>
  leftTold(name, id, id, typeof draft === 'string' ? draft : { save: `left-${name}-${id}`, ...draft });

/** What lies there under a name, by id and value. */
export const lyingUnder = async (name: string): Promise<[string, unknown][]> =>
  (await everythingKept()).flatMap((one) =>
    one.name === name ? [[one.id, one.value] as [string, unknown]] : [],
  );
