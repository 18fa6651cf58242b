/** The survey of the open job and how far it has been saved. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Answer, Feature, Survey } from '@zygostat/core/survey';
import { EMPTY_SURVEY } from '@zygostat/core/survey';

interface Surveying {
  jobId: string | null;
  /** Save this one builds on. */
  base: number;
  survey: Survey;
  state: 'saved' | 'saving' | 'waiting';
}

const survey = createSlice({
  name: 'survey',
  initialState: { jobId: null, base: 0, survey: EMPTY_SURVEY, state: 'saved' } as Surveying,
  reducers: {
    surveyOpened: (
      _state,
      { payload }: PayloadAction<{ jobId: string; base: number; survey: Survey }>,
    ): Surveying => ({ ...payload, state: 'saved' }),
    /** An answer given, or taken back with `null`. */
    answered: (state, { payload }: PayloadAction<{ feature: Feature; answer: Answer | null }>) => {
      const { feature, answer } = payload;
      const others = Object.entries(state.survey.answers).filter(([name]) => name !== feature);
      const given = answer === null ? others : [...others, [feature, answer] as const];
      state.survey.answers = Object.fromEntries(given);
    },
    surveyChanged: (state, { payload }: PayloadAction<Survey>): Surveying => ({ ...state, survey: payload }),
    surveySaved: (state, { payload }: PayloadAction<Partial<Pick<Surveying, 'base' | 'state'>>>) => ({
      ...state,
      ...payload,
    }),
  },
});

export const { surveyOpened, answered, surveyChanged, surveySaved } = survey.actions;
export const surveyReducer = survey.reducer;
