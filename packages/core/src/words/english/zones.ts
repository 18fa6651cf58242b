/** What is said of ways to give rooms their own say. */
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

export const ZONE_OBSTACLE: Readonly<Record<ZoneObstacle, string>> = {
  'too-few': 'A zoned system has two zones or more.',
  'too-many': 'A panel has four strips at most: take fewer zones, or two panels on two units.',
  'several-thermostats':
    'There is more than one thermostat here. Take the others off first, or keep them in parallel.',
  'no-unit': 'The thermostat’s conductors lead nowhere that runs: survey them to the unit first.',
  'no-transformer':
    'The transformer is inside the unit: where the panel’s own takes its primary has to be found there first.',
};
