/** Something a small motor moves between two ends, slowly: where it is, where it is going, when it arrives. */
import type { Wait } from '../define';

export type Travel = {
  /** Share open when the present movement began. */
  from: number;
  /** Where it is going, 0 or 1 (or where it stopped), and since when; `null` at rest. */
  to: number;
  since: number | null;
};

/** Seconds from shut to open, and back. */
interface TravelTimes {
  openS: number;
  closeS: number;
}

/** Share open at a time. */
export function shareOpen({ from, to, since }: Travel, { openS, closeS }: TravelTimes, now: number): number {
  if (since === null) return to;
  const travel = to > from ? openS : closeS;
  const moved = travel === 0 ? 1 : (now - since) / travel;
  return to > from ? Math.min(to, from + moved) : Math.max(to, from - moved);
}

/** Stopped where it is. */
export const stopped = (state: Travel, times: TravelTimes, now: number): Travel => {
  const at = shareOpen(state, times, now);
  return { from: at, to: at, since: null };
};

/**
 * On its way somewhere from now on; the very same while it goes there already.
 *
 * @param to - 1 open, 0 shut, or between; `null` stays where it is.
 */
export function movedTo(state: Travel, to: number | null, times: TravelTimes, now: number): Travel {
  const at = shareOpen(state, times, now);
  const aim = to ?? at;
  if (at === aim) return { from: aim, to: aim, since: null };
  return aim === state.to && state.since !== null ? state : { from: at, to: aim, since: now };
}

/** What is waited for while it moves. */
export function travelWaits(
  { from, to, since }: Travel,
  { openS, closeS }: TravelTimes,
  what: string,
): Wait[] {
  if (since === null || from === to) return [];
  const until = since + Math.abs(to - from) * (to > from ? openS : closeS);
  return to > from
    ? [{ until, text: `${what} opens`, done: `${what} open` }]
    : [{ until, text: `${what} closes`, done: `${what} closed` }];
}

/** "open", "closed", "opening", "closing"; a share where it stands between. */
export function travelWord(state: Travel, times: TravelTimes, now: number): string {
  const share = shareOpen(state, times, now);
  if (share === 1) return 'open';
  if (share === 0) return 'closed';
  if (state.since === null) return `${Math.round(share * 100)} % open`;
  return state.to > state.from ? 'opening' : 'closing';
}
