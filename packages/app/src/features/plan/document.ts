/** The plan of a job: what the circuit was, what it shall be, and what happened to the list of steps between. */
import { jobDocument } from '../../documents/jobDocument';

export const planDocument = jobDocument('plan');
