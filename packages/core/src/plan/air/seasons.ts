/** Which of several thermostats on one unit leads in which months, and what the others are set to. */
import type { Leading } from '../../air';
import { leadingAt, monthC } from '../../air';
import type { Housing } from '../../devices';

/** Months that are colder than this are heated, warmer than that cooled, °C of their mean; from memory. */
const HEATS_UNDER_C = 14;
const COOLS_OVER_C = 20;
/** A day of summer that is cooled for is so much above its month's mean, K. */
export const HOT_DAY_K = 8;

export interface Season {
  /** January is 0. */
  months: readonly number[];
  /** As it is in the month furthest from what is wanted. */
  leading: Leading;
}

/** Months of a year in runs that hang together, December beside January. */
function inSeason(is: (month: number) => boolean): number[] {
  const start = Array.from({ length: 12 }, (_, month) => month).find(
    (month) => is(month) && !is((month + 11) % 12),
  );
  if (start === undefined) return is(0) ? Array.from({ length: 12 }, (_, month) => month) : [];
  const months: number[] = [];
  for (let month = start; is(month % 12) && months.length < 12; month++) months.push(month % 12);
  return months;
}

/** Who leads when it is heated and when it is cooled, with the months each holds. */
export function leadingYear({ house, climate, wantedC }: Housing): Season[] {
  const outdoor = (month: number) => monthC(month, climate);
  const heated = inSeason((month) => outdoor(month) < HEATS_UNDER_C);
  const cooled = inSeason((month) => outdoor(month) > COOLS_OVER_C);
  const coldest = Math.min(...heated.map(outdoor));
  const warmest = Math.max(...cooled.map(outdoor));
  return [
    ...(heated.length > 0
      ? [{ months: heated, leading: leadingAt(house, 'heat', wantedC.heat, coldest) }]
      : []),
    ...(cooled.length > 0
      ? [{ months: cooled, leading: leadingAt(house, 'cool', wantedC.cool, warmest + HOT_DAY_K) }]
      : []),
  ];
}
