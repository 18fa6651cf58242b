import { useCallback, useMemo } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { EditError, findCable } from '@zygostat/core/circuit';
import type { Answer, Feature, Run, Survey } from '@zygostat/core/survey';
import { runsOf } from '@zygostat/core/survey';
import type { RootState } from '../../store';
import { useAppSelector, useAppStore } from '../../store';
import { told } from '../../store/notice';
import { surveyDocument } from './document';
import { edited } from '../circuit/slice';

/** The runs to record: those of the survey that the circuit still has, or the circuit's own. */
export function useRuns(circuit: Circuit): readonly Run[] {
  const runs = useAppSelector(({ survey }) => survey.value.runs);
  return useMemo(() => {
    const still = runs.filter(({ cable }) => findCable(circuit, cable));
    return still.length > 0 ? still : runsOf(circuit);
  }, [runs, circuit]);
}

/** Changes circuit and survey together; the circuit's part can be undone like any edit. */
export function useSurveyEdit() {
  const store = useAppStore();
  return useCallback(
    (note: string, change: (circuit: Circuit, survey: Survey) => { circuit: Circuit; survey?: Survey }) => {
      const { edits, survey } = store.getState() as RootState;
      const { circuit } = edits.present;
      if (!circuit) return;
      let changed: ReturnType<typeof change>;
      try {
        changed = change(circuit, survey.value);
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
        store.dispatch(told(error.message));
        return;
      }
      if (changed.circuit !== circuit) store.dispatch(edited({ circuit: changed.circuit, note }));
      if (changed.survey) store.dispatch(surveyDocument.changed(changed.survey));
    },
    [store],
  );
}

/** Gives an answer, or takes it back with `null`. */
export function useAnswer() {
  const store = useAppStore();
  return useCallback(
    (feature: Feature, answer: Answer | null) => {
      const survey = store.getState().survey.value;
      const others = Object.entries(survey.answers).filter(([name]) => name !== feature);
      const given = answer === null ? others : [...others, [feature, answer] as const];
      store.dispatch(surveyDocument.changed({ ...survey, answers: Object.fromEntries(given) }));
    },
    [store],
  );
}
