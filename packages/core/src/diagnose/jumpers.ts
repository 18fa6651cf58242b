/** Two terminals of one block between which a jumper could lie: from its hot to a call, or to another hot. */
import type { Circuit, Device, TerminalId } from '../circuit';
import { designationsOf } from '../circuit';

interface JumperPlace {
  device: Device;
  pair: readonly [hot: TerminalId, other: TerminalId];
  to: 'hot' | 'call';
}

/** Every such place of a circuit that nothing joins yet. */
export function jumperPlaces({ devices, links }: Circuit): JumperPlace[] {
  const isJoined = (pair: readonly TerminalId[]) =>
    links.some(({ joins }) => pair.every((terminal) => joins.includes(terminal)));
  return devices.flatMap((device) => {
    const [hot, ...others] = designationsOf(device)
      .filter(({ role }) => role === 'hot' || role === 'call')
      .sort((one, other) => Number(other.role === 'hot') - Number(one.role === 'hot'));
    if (hot?.role !== 'hot') return [];
    return others.flatMap(({ mark, role }): JumperPlace[] => {
      const pair = [`${device.id}.${hot.mark}`, `${device.id}.${mark}`] as const;
      return isJoined(pair) ? [] : [{ device, pair, to: role === 'hot' ? 'hot' : 'call' }];
    });
  });
}
