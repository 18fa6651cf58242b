/**
 * Saves the survey as it is answered, and keeps it here until the server has it. Hands on the listeners it has
 * added to: an import for its effect alone would be shaken out of the bundle.
 */
import { isAnyOf } from '@reduxjs/toolkit';
import { api, problemOf } from './api';
import type { RootState, Store } from './index';
import { keepSurvey } from './kept';
import { listeners } from './saving';
import { answered, surveyChanged, surveyOpened, surveySaved } from './survey';
import { told } from './trace';

const SETTLE_MS = 300;
const RETRY_MS = 3000;

const listen = listeners.startListening.withTypes<RootState, Store['dispatch']>();

listen({
  matcher: isAnyOf(answered, surveyChanged),
  effect: async (_action, { getState, dispatch, delay }) => {
    const { jobId } = getState().survey;
    if (jobId === null) return;
    const keep = () => {
      const { base, survey } = getState().survey;
      keepSurvey(jobId, { base, survey });
    };
    keep();
    if (getState().survey.state !== 'saved') return;
    dispatch(surveySaved({ state: 'saving' }));
    await delay(SETTLE_MS);
    while (getState().survey.jobId === jobId) {
      const { base, survey } = getState().survey;
      const { data, error } = await dispatch(api.endpoints.saveSurvey.initiate({ id: jobId, base, survey }));
      if (getState().survey.jobId !== jobId) return;
      if (data) {
        const newest = getState().survey.survey === survey;
        dispatch(surveySaved({ base: data.number, state: newest ? 'saved' : 'saving' }));
        if (newest) return keepSurvey(jobId, undefined);
        keep();
        continue;
      }
      if (problemOf(error).status === 409) {
        const newest = await dispatch(
          api.endpoints.readSurvey.initiate(jobId, { forceRefetch: true, subscribe: false }),
        );
        if (!newest.data) return;
        // What was answered here goes on top of what was answered there.
        const answers = { ...newest.data.survey.answers, ...survey.answers };
        dispatch(surveyOpened({ jobId, base: newest.data.number, survey: newest.data.survey }));
        dispatch(told('The survey was changed in another tab; your answers are put on top of it.'));
        dispatch(surveyChanged({ ...newest.data.survey, answers }));
        return;
      }
      dispatch(surveySaved({ state: 'waiting' }));
      await delay(RETRY_MS);
    }
  },
});

export { listeners };
