/** What is said of ways to give rooms their own say. */
import { listed } from '../phrases';
import { showTemperature } from '../show';
import type { Units } from '../units';
import type { ZoneLoss, ZoneObstacle, ZoneOption } from '../../plan';

export const zoneWay = ({ way }: Pick<ZoneOption, 'way'>): string =>
  way === 'panel' ? 'Zone panel with dampers' : 'Thermostats in parallel, no dampers';

/** What a way does not give, or gives up. */
export const ZONE_LOSS: Readonly<Record<ZoneLoss, string>> = {
  'same-air': 'All rooms get the air when any of them calls: the room that is right already goes past it.',
  'one-mode':
    'All must stand in the same mode: one on heat and one on cool run both together. Put a label on each.',
  'rooms-by-themselves': 'No changeover and no purge between them: nothing knows of more than one.',
  'air-not-sized':
    'With the ducts as they are taken here some zone alone has not its air, or is loud: give the real ducts under Air.',
};

/** What the person must keep to where thermostats stand in parallel. */
export const PARALLEL_LABEL =
  'These thermostats run one unit. All in the same mode, always. In summer the upper leads and the lower is set higher; in winter the lower leads and the upper is set lower.';

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/** Who leads in a season, what is set, and what that makes of the rooms. */
export function seasonText(
  { months, leading: { mode, leader, setC, day } }: ZoneOption['seasons'][number],
  rooms: readonly { zone: string; name: string }[],
  { temperature }: Units,
): string {
  const [first, last] = [MONTHS[months[0]!]!, MONTHS[months[months.length - 1]!]!];
  const others = rooms.flatMap(({ name }, i) =>
    i === leader ? [] : [`${name} at ${showTemperature(setC[i]!, temperature)}`],
  );
  const come = rooms.map(
    ({ zone, name }) => `${name} ${showTemperature(day.rooms[zone]!.mean, temperature)}`,
  );
  return `${first} to ${last}, ${mode === 'heat' ? 'heating' : 'cooling'}: ${rooms[leader]!.name} leads at ${showTemperature(setC[leader]!, temperature)}, ${listed(others)}. In the worst of it that makes ${listed(come)}, ${day.cyclesPerHour.toFixed(1)} starts an hour.`;
}

/** How far the seasons are to be believed. */
export const SEASON_CAUTION =
  'Of a usual house of as many storeys, the lowest first, until you give yours on Trace under Air.';

export const ZONE_OBSTACLE: Readonly<Record<ZoneObstacle, string>> = {
  'too-few': 'A zoned system has two zones or more.',
  'too-many': 'A panel has four strips at most: take fewer zones, or two panels on two units.',
  'several-thermostats':
    'There is more than one thermostat here. Take the others off first, or keep them in parallel.',
  'no-unit': 'The thermostat’s conductors lead nowhere that runs: survey them to the unit first.',
  'no-transformer':
    'The transformer is inside the unit: where the panel’s own takes its primary has to be found there first.',
};
