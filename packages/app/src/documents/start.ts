/** What an earlier visit left is read from the disk, and sent; signal that comes back is heard. */
import type { Lying } from '@zygostat/core/sync';
import { UNREADABLE } from '@zygostat/core/sync';
import type { Own } from '../store/own';
import { happened } from './happened';
import { erase, everythingKept, lay } from './keep';
import type { Dispatch } from './senders';
import { documentSender } from './senders';

/** Where a draft is put that cannot be read. */
const asideOf = (name: string) => `${name}-aside`;

/** A draft that another version wrote and this one cannot read is put beside, so that nothing takes its place. */
async function readable(own: Own, lying: Lying): Promise<Lying> {
  const sender = documentSender(own, lying.name);
  if (!sender || sender.isReadable(lying.value)) return lying;
  const aside = { ...lying, name: asideOf(lying.name), refused: UNREADABLE };
  if (await lay(aside)) await erase(lying);
  return aside;
}

export const startSync =
  () =>
  async (dispatch: Dispatch, _getState: () => unknown, own: Own): Promise<void> => {
    const kept = await everythingKept();
    const items = await Promise.all(kept.map((one) => readable(own, one)));
    dispatch(happened({ type: 'loaded', items }));
    window.addEventListener('online', () => dispatch(happened({ type: 'online' })));
  };
