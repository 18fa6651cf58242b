/** The survey of a job: what was answered of the system, and the runs that are recorded. */
import { jobDocument } from '../../documents/jobDocument';

export const surveyDocument = jobDocument('survey');
