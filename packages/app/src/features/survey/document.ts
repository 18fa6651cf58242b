/** The survey of a job: what was answered of the system, and the runs that are recorded. */
import { documents } from '../../documents/all';

export const surveyDocument = documents.survey;
