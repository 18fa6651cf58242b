/** The things a building is made of, as they are begun, added and changed. */
import type { AirPath, Building, Detector, Thermostat, Unit, WallStation } from './document';

export interface Things {
  units: Unit;
  detectors: Detector;
  stations: WallStation;
  thermostats: Thermostat;
  air: AirPath;
}
export type List = keyof Things;

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

/** @param id - made where it is written down. */
export const begun = <K extends List>(
  list: K,
  id: string,
  label: string,
  known: Partial<Things[K]> = {},
): Things[K] => ({ ...FRESH[list], ...known, id, label }) as unknown as Things[K];

const listOf = <K extends List>(building: Building, list: K) =>
  building[list] as unknown as readonly Things[K][];

/** A building with one more thing. */
export const withThing = <K extends List>(building: Building, list: K, thing: Things[K]): Building => ({
  ...building,
  [list]: [...listOf(building, list), thing],
});

/** A building with something about one of its things changed. */
export const changedThing = <K extends List>(
  building: Building,
  list: K,
  id: string,
  change: Partial<Things[K]>,
): Building => ({
  ...building,
  [list]: listOf(building, list).map((one) => (one.id === id ? { ...one, ...change } : one)),
});
