/** The rooms of a house as a person describes them: coarse figures, one set for every zone. */
import type { Housing } from '../traits';
import { choice, num } from '../fields';
import type { ValuesOf } from '../fields';
import { zoneNames } from './ducts';

/** What of air, furniture and walls goes with a cycle, by how it is built, J/K a room; from memory, and coarse. */
const CAPACITY = { light: 3e6, usual: 6e6, heavy: 1.2e7 } as const;
const SQUARE_CM = 1e-4;

const loses = (n: number) =>
  num({
    label: `Zone ${n} loses, for each degree`,
    unit: 'W/K',
    default: 120,
    min: 1,
    max: 5000,
    source: 'from memory',
  });
const sun = () =>
  num({ label: 'Sun on it at noon', unit: 'W', default: 0, min: 0, max: 20_000, source: 'from memory' });
const height = (n: number) =>
  num({
    label: 'Its middle above the ground',
    unit: 'm',
    default: 3 * n - 1.5,
    min: -6,
    max: 60,
    source: 'from memory',
  });
const degrees = (label: string, fallback: number, min: number, max: number) =>
  num({ label, unit: '°C', default: fallback, min, max, source: 'common practice' });
const kilowatts = (label: string, fallback: number) =>
  num({ label, unit: 'kW', default: fallback, min: 0, max: 150, source: 'read the label' });

export const houseParams = {
  zones: choice('Zones', { two: 'Two', three: 'Three', four: 'Four' }, 'two'),
  mass: choice('Built', { light: 'Lightly', usual: 'As most are', heavy: 'Heavily' }, 'usual'),
  zone1Loses: loses(1),
  zone1Sun: sun(),
  zone1Height: height(1),
  zone2Loses: loses(2),
  zone2Sun: sun(),
  zone2Height: height(2),
  zone3Loses: loses(3),
  zone3Sun: sun(),
  zone3Height: height(3),
  zone4Loses: loses(4),
  zone4Sun: sun(),
  zone4Height: height(4),
  between: num({
    label: 'Between neighbours, for each degree',
    unit: 'W/K',
    default: 90,
    min: 0,
    max: 5000,
    source: 'from memory',
  }),
  leakCm2: num({
    label: 'Openings air rises through',
    unit: 'cm²',
    default: 500,
    min: 0,
    max: 20_000,
    source: 'from memory',
  }),
  heatKw: kilowatts('Heated by, where no ducts are given', 16),
  coolKw: kilowatts('Cooled by, where no ducts are given', 9),
  wantedHeatC: degrees('Wanted when heated', 21, 5, 30),
  wantedCoolC: degrees('Wanted when cooled', 24, 15, 32),
  meanC: degrees('Outdoors, mean of the year', 11, -20, 35),
  swingK: num({
    label: 'Warmest month above it',
    unit: 'K',
    default: 13,
    min: 0,
    max: 40,
    source: 'from memory',
  }),
};

type HouseParams = ValuesOf<typeof houseParams>;

/** Rooms in SI, one for each zone, named as it is, the lowest first. */
export function housingOf(params: HouseParams): Housing {
  const names = zoneNames(params.zones);
  return {
    house: {
      rooms: names
        .map((n) => ({
          id: n,
          capacity: CAPACITY[params.mass],
          outward: params[`zone${n}Loses`],
          heightM: params[`zone${n}Height`],
          sunW: params[`zone${n}Sun`],
          share: 1 / names.length,
        }))
        .sort((one, other) => one.heightM - other.heightM),
      between: params.between,
      leakM2: params.leakCm2 * SQUARE_CM,
      heatW: params.heatKw * 1000,
      coolW: params.coolKw * 1000,
    },
    wantedC: { heat: params.wantedHeatC, cool: params.wantedCoolC },
    climate: { meanC: params.meanC, swingK: params.swingK },
  };
}
