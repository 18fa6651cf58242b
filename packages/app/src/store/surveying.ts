/**
 * Saves the survey as it is answered. Hands on the listeners it has added to: an import for its effect
 * alone would be shaken out of the bundle.
 */
import { isAnyOf } from '@reduxjs/toolkit';
import type { Survey } from '@zygostat/core/survey';
import { api } from './api';
import { saveDocuments } from './documents';
import type { RootState, Store } from './index';
import { keepSurvey } from './kept';
import { listeners } from './saving';
import { answered, surveyChanged, surveyOpened, surveySaved } from './survey';
import { told } from './trace';

saveDocuments<Survey>(listeners.startListening.withTypes<RootState, Store['dispatch']>(), {
  changes: isAnyOf(answered, surveyChanged),
  of: ({ survey: { survey, ...rest } }) => ({ ...rest, value: survey }),
  keep: (jobId, kept) => keepSurvey(jobId, kept && { base: kept.base, survey: kept.value }),
  send: (dispatch, id, base, survey) => dispatch(api.endpoints.saveSurvey.initiate({ id, base, survey })),
  saved: surveySaved,
  overtaken: async (dispatch, jobId, survey) => {
    const newest = await dispatch(
      api.endpoints.readSurvey.initiate(jobId, { forceRefetch: true, subscribe: false }),
    );
    if (!newest.data) return;
    // What was answered here goes on top of what was answered there.
    const answers = { ...newest.data.survey.answers, ...survey.answers };
    dispatch(surveyOpened({ jobId, base: newest.data.number, survey: newest.data.survey }));
    dispatch(told('The survey was changed in another tab; your answers are put on top of it.'));
    dispatch(surveyChanged({ ...newest.data.survey, answers }));
  },
});

export { listeners };
