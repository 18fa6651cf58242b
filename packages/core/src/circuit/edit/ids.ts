/** Ids that are not taken yet. */
import type { Circuit } from '../types';

/** The first of `stem2`, `stem3`, … that is free, counting from `from`. */
function freeId(taken: readonly { id: string }[], stem: string, from: number): string {
  for (let i = from; ; i++) if (!taken.some(({ id }) => id === `${stem}${i}`)) return `${stem}${i}`;
}

export const freeLinkId = ({ links }: Circuit): string => freeId(links, 'jumper', 1);

/** An id for a cable: the stem itself where it is free. */
export const freeCableId = ({ cables }: Circuit, stem: string): string =>
  cables.some(({ id }) => id === stem) ? freeId(cables, stem, 2) : stem;

/** An id like another device's that no device has. */
export const freeDeviceId = ({ devices }: Circuit, like: string): string =>
  freeId(devices, like.replace(/\d+$/, '') || 'device', 2);
