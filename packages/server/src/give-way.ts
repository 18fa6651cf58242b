import { constants, setPriority } from 'node:os';

/**
 * Has the thread it is called in give way to the one that answers, where both want the same core. Linux has a priority for each
 * thread; elsewhere it would be the whole server's.
 */
export function giveWay(): void {
  if (process.platform === 'linux') setPriority(constants.priority.PRIORITY_LOW);
}
