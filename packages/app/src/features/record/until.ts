/** By when something is to be done, as whoever leaves it would say. */
import { addDays } from 'date-fns/addDays';

export const WHEN = {
  open: 'No date',
  week: 'In a week',
  month: 'In a month',
  season: 'Next season',
} as const;

export type When = keyof typeof WHEN;

const DAYS: Readonly<Record<When, number | null>> = { open: null, week: 7, month: 30, season: 182 };

export const untilOf = (when: When): string | null =>
  DAYS[when] === null ? null : addDays(new Date(), DAYS[when]).toISOString();
