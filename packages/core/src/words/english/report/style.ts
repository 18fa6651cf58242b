/** What every part of a report is made with. */
import type { Block } from '../../../formats';
import type { Units } from '../../units';

export interface ReportStyle {
  units: Units;
  /** IANA time zone in which times are told. */
  zone: string;
}

/** "27 Nov 2026, 10:42 GMT+1" */
export const showTime = (at: string, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZoneName: 'short',
  }).format(new Date(at));

export const none = (text: string): Block[] => [{ type: 'text', text }];

export const table = (
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  empty: string,
): Block[] => (rows.length === 0 ? none(empty) : [{ type: 'table', columns, rows }]);
