import type { Building } from '../building';
import { EMPTY_BUILDING, buildingProblems, fitted } from '../building';
import { fields, list, map } from '../merge';
import type { DocumentKind } from './declare';
import { asIs } from './declare';

const thing = () => list(fields({}));

/** A site's units, detectors, and what moves its air. */
export const buildingKind: DocumentKind<Building> = {
  owner: 'sites',
  name: 'building',
  empty: EMPTY_BUILDING,
  part: fields({
    units: list(fields({ looks: map() })),
    detectors: thing(),
    stations: thing(),
    thermostats: thing(),
    air: thing(),
  }),
  readIn: asIs,
  problems: buildingProblems,
  fit: fitted,
};
