/** Jobs that were begun in this browser and that the server has not had yet. */
import { waitingAs } from './waiting';

/** The name they wait under. */
export const BEGUN = 'job';

export const isBegunHere = (jobId: string): boolean => waitingAs(BEGUN, jobId) !== undefined;
