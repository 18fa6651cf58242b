/** The building of a site: its units, detectors, and what moves its air. */
import { documents } from '../../documents/all';

export const buildingDocument = documents.building;
