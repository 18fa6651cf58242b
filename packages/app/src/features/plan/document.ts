/** The plan of a job: what the circuit was, what it shall be, and what happened to the list of steps between. */
import { documents } from '../../documents/all';

export const planDocument = documents.plan;
