/** Which of several thermostats on one unit leads in which months, and what the others are set to, in a usual house. */
import type { House, Leading } from '../../air';
import { leadingAt, monthC } from '../../air';

/** What is wanted in every room when it is heated, and cooled, °C. */
const WANTED_C = { heat: 21, cool: 24 } as const;
/** Months that are colder than this are heated, warmer than that cooled, °C of their mean; from memory. */
const HEATS_UNDER_C = 14;
const COOLS_OVER_C = 20;
/** A day of summer that is cooled for is so much above its month's mean, K. */
const HOT_DAY_K = 8;

/** Storeys of a usual house, the lowest first: from memory, and coarse. */
const STOREY_M = 3;
const CAPACITY = 6e6;
const OUTWARD = 120;
const ROOF_OUTWARD = 20;
const ROOF_SUN_W = 1500;
const BETWEEN = 90;
const LEAK_M2 = 0.05;

/** Climate where nobody has said otherwise: the year's mean and how far summer and winter are from it, °C; from memory. */
const USUAL_CLIMATE = { meanC: 11, swingK: 13 } as const;

export interface Season {
  /** January is 0. */
  months: readonly number[];
  /** As it is in the month furthest from what is wanted. */
  leading: Leading;
}

export function usualHouse(
  rooms: readonly string[],
  { heatW, coolW }: Pick<House, 'heatW' | 'coolW'>,
): House {
  const last = rooms.length - 1;
  return {
    rooms: rooms.map((id, i) => ({
      id,
      capacity: CAPACITY,
      outward: OUTWARD + (i === last ? ROOF_OUTWARD : 0),
      heightM: STOREY_M * (i + 0.5),
      sunW: i === last && last > 0 ? ROOF_SUN_W : 0,
      share: 1 / rooms.length,
    })),
    between: BETWEEN,
    leakM2: LEAK_M2,
    heatW,
    coolW,
  };
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
export function leadingYear(
  house: House,
  climate: { meanC: number; swingK: number } = USUAL_CLIMATE,
): Season[] {
  const outdoor = (month: number) => monthC(month, climate);
  const heated = inSeason((month) => outdoor(month) < HEATS_UNDER_C);
  const cooled = inSeason((month) => outdoor(month) > COOLS_OVER_C);
  const coldest = Math.min(...heated.map(outdoor));
  const warmest = Math.max(...cooled.map(outdoor));
  return [
    ...(heated.length > 0
      ? [{ months: heated, leading: leadingAt(house, 'heat', WANTED_C.heat, coldest) }]
      : []),
    ...(cooled.length > 0
      ? [{ months: cooled, leading: leadingAt(house, 'cool', WANTED_C.cool, warmest + HOT_DAY_K) }]
      : []),
  ];
}
