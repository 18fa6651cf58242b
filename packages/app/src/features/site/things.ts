/** The kinds of things a building is made of, as they are begun and changed. */
import { nanoid } from '@reduxjs/toolkit';
import type { AirPath, Building, Detector, Thermostat, Unit, WallStation } from '@zygostat/core/building';

export interface Things {
  units: Unit;
  detectors: Detector;
  stations: WallStation;
  thermostats: Thermostat;
  air: AirPath;
}
export type List = keyof Things;

export const LISTS: Readonly<Record<List, { title: string; one: string }>> = {
  thermostats: { title: 'Thermostats', one: 'Thermostat' },
  stations: { title: 'Stations', one: 'Station' },
  detectors: { title: 'Detectors', one: 'Detector' },
  units: { title: 'Units', one: 'Unit' },
  air: { title: 'Air in and out', one: 'Fan or damper' },
};

/** Nothing is known of it yet but what it is called. */
const FRESH: { [K in List]: Omit<Things[K], 'id' | 'label'> } = {
  units: { serves: '', found: '', job: null, looks: {} },
  detectors: {
    unit: null,
    place: 'unit',
    caps: null,
    lamp: null,
    housing: null,
    wants: null,
    tied: null,
    loop: null,
  },
  stations: { works: null, lamp: null, detector: null },
  thermostats: { unit: null, screen: null, held: null },
  air: { kind: 'exhaust', flow: 0, runs: null },
};

export const begun = <K extends List>(list: K, label: string): Things[K] =>
  ({ id: nanoid(10), label, ...FRESH[list] }) as unknown as Things[K];

const listOf = <K extends List>(building: Building, list: K) =>
  building[list] as unknown as readonly Things[K][];

/** A building with one more thing. */
export const withThing = <K extends List>(building: Building, list: K, thing: Things[K]): Building => ({
  ...building,
  [list]: [...listOf(building, list), thing],
});

/** A building with something about one of its things changed. */
export const changed = <K extends List>(
  building: Building,
  list: K,
  id: string,
  change: Partial<Things[K]>,
): Building => ({
  ...building,
  [list]: listOf(building, list).map((one) => (one.id === id ? { ...one, ...change } : one)),
});
