/** The survey of a job: what was answered of the system, and the runs that are recorded. */
import type { Survey } from '@zygostat/core/survey';
import { EMPTY_SURVEY, surveyProblems } from '@zygostat/core/survey';
import { jobDocument } from '../../documents/jobDocument';

export const surveyDocument = jobDocument<Survey>({
  name: 'survey',
  empty: EMPTY_SURVEY,
  read: (given) => (surveyProblems(given).length > 0 ? undefined : (given as Survey)),
  // What was answered here goes on top of what was answered there.
  merge: (mine, theirs) => ({
    value: {
      ...theirs,
      answers: { ...theirs.answers, ...mine.answers },
      ...(mine.unit && { unit: mine.unit }),
    },
    words: 'The survey was changed in another tab; your answers are put on top of it.',
  }),
});
