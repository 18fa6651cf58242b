/** The building of a site: its units, detectors, and what moves its air. */
import { jobDocument } from '../../documents/jobDocument';

export const buildingDocument = jobDocument('building');
