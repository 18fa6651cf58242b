/** What every part of a report is made with. */
import type { Block } from '../../../formats';
import { englishOf } from '../../../locale';
import type { Units } from '../../units';

export interface ReportStyle {
  units: Units;
  /** IANA time zone in which times are told. */
  zone: string;
  /** BCP 47 tag of whoever reads it: its region says how a date is written. */
  locale: string;
}

type When = Pick<ReportStyle, 'zone' | 'locale'>;

const told = (at: string, { zone, locale }: When, options: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(englishOf(locale), {
    timeZone: zone,
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    ...options,
  })
    .format(new Date(at))
    // A narrow space is none of the type that papers are set in.
    .replace(/\u202f/g, ' ');

/** "Nov 27, 2026, 10:42 AM EST", or as the region writes it. */
export const showTime = (at: string, when: When): string =>
  told(at, when, { hour: 'numeric', minute: '2-digit', timeZoneName: 'short' });

/** "Nov 27, 2026" */
export const showDay = (at: string, when: When): string => told(at, when, {});

export const none = (text: string): Block[] => [{ type: 'text', text }];

export const table = (
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  empty: string,
): Block[] => (rows.length === 0 ? none(empty) : [{ type: 'table', columns, rows }]);
