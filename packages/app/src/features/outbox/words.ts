/** What waits to be sent, told. */
import { isToday } from 'date-fns/isToday';
import { plural } from '../jobs/JobRow';
import type { Waiting } from '@zygostat/core/sync';
import { waitingTitle } from '@zygostat/core/words';
import { timeText, whenText } from '../../basics/when';

export const whatText = ({ name }: Pick<Waiting, 'name'>): string =>
  waitingTitle(name.replace(/-aside$/, ''));

/** "9:12 AM", "Dec 1, 9:12 AM"; nothing where an earlier version kept it. */
export const sinceText = ({ since }: Pick<Waiting, 'since'>): string =>
  since === 0 ? '' : isToday(since) ? timeText(since) : whenText(since);

/** In one line: how many, since when, and what is to be done about it. */
export function outstandingText(waiting: readonly Waiting[]): string {
  const refused = waiting.filter((one) => one.refused !== undefined).length;
  const homeless = waiting.some(({ isKept }) => !isKept);
  const open = waiting.length - refused;
  const since = sinceText(waiting.find((one) => one.refused === undefined && one.since > 0) ?? { since: 0 });
  const sent = open > 0 ? `Not sent yet: ${plural(open, 'thing')}${since ? `, since ${since}` : ''}. ` : '';
  const not = refused > 0 ? `${plural(refused, 'thing')} not taken: look. ` : '';
  const room = homeless
    ? 'This browser has no room: leave this page open until it is sent.'
    : open > 0
      ? 'Kept here, sent by itself.'
      : '';
  return `${sent}${not}${room}`.trim();
}
