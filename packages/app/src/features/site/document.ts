/** The building of a site: its units, detectors, and what moves its air. */
import type { Building } from '@zygostat/core/building';
import { EMPTY_BUILDING, buildingProblems, mergeBuildings } from '@zygostat/core/building';
import { jobDocument } from '../../documents/jobDocument';

export const buildingDocument = jobDocument<Building>({
  of: 'sites',
  name: 'building',
  empty: EMPTY_BUILDING,
  read: (given) => (buildingProblems(given).length > 0 ? undefined : (given as Building)),
  merge: (mine, theirs) => ({
    value: mergeBuildings(mine, theirs),
    words: 'Somebody else wrote on this building; both are in it.',
  }),
});
