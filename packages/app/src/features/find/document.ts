/** The diagnosis of a job: what was observed, and where each person stands. */
import { jobDocument } from '../../documents/jobDocument';

export const diagnosisDocument = jobDocument('diagnosis');
