/** Saves the survey as it is answered. */
import { isAnyOf } from '@reduxjs/toolkit';
import type { Survey } from '@zygostat/core/survey';
import { api } from './api';
import type { Documents } from './documents';
import { saveDocuments } from './documents';
import type { Listen } from './listeners';
import { keepSurvey } from './kept';
import { answered, surveyChanged, surveyOpened, surveySaved } from './survey';
import { told } from './trace';

const DOCUMENTS: Documents<Survey> = {
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
};

export const saveSurveys = (listen: Listen): void => saveDocuments(listen, DOCUMENTS);
