/** A bypass that is recorded, told. */
import type { Bypass } from '../../record';

/**
 * Whose it is, until when, and who watches.
 *
 * @param when - tells a time in the person's way.
 */
export const recordedBypassText = (
  device: string,
  { by, to, since, until, watch }: Bypass,
  when: (at: string) => string,
): string =>
  `${device} has been bypassed since ${when(since)} by ${by}. Remove the bypass by ${when(until)}. ${to ?? watch} is watching it.`;
