/** The diagnosis of a job: what was observed, and where each person stands. */
import { documents } from '../../documents/all';

export const diagnosisDocument = documents.diagnosis;
