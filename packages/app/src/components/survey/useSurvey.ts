import { useCallback, useMemo } from 'react';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import { EditError, findCable } from '@zygostat/core/circuit';
import type { Run, Survey } from '@zygostat/core/survey';
import { runsOf } from '@zygostat/core/survey';
import type { RootState, Store } from '../../store';
import { useAppSelector } from '../../store';
import { api } from '../../store/api';
import { told } from '../../store/trace';
import { keptSurvey } from '../../store/kept';
import { surveyChanged, surveyOpened } from '../../store/survey';
import { edited } from '../../store/work';
import { useOpenDocument } from '../places/useOpenDocument';

/** Reads the survey of a job; answers the server has not had go on top of it. */
export function useOpenSurvey(jobId: string): boolean {
  const ready = useAppSelector(({ survey }) => survey.jobId === jobId);
  const open = useCallback(
    async (store: Store, wanted: () => boolean) => {
      const { data } = await store.dispatch(
        api.endpoints.readSurvey.initiate(jobId, { forceRefetch: true, subscribe: false }),
      );
      const kept = keptSurvey(jobId);
      if (!wanted() || (!data && !kept)) return;
      store.dispatch(surveyOpened({ jobId, base: data?.number ?? 0, survey: data?.survey ?? kept!.survey }));
      if (kept) store.dispatch(surveyChanged(kept.survey));
    },
    [jobId],
  );
  return useOpenDocument({ jobId, ready, open });
}

/** The runs to record: those of the survey that the circuit still has, or the circuit's own. */
export function useRuns(circuit: Circuit): readonly Run[] {
  const runs = useAppSelector(({ survey }) => survey.survey.runs);
  return useMemo(() => {
    const still = runs.filter(({ cable }) => findCable(circuit, cable));
    return still.length > 0 ? still : runsOf(circuit);
  }, [runs, circuit]);
}

/** Changes circuit and survey together; the circuit's part can be undone like any edit. */
export function useSurveyEdit() {
  const store = useStore() as unknown as Store;
  return useCallback(
    (note: string, change: (circuit: Circuit, survey: Survey) => { circuit: Circuit; survey?: Survey }) => {
      const { edits, survey } = store.getState() as RootState;
      const { circuit } = edits.present;
      if (!circuit) return;
      let changed: ReturnType<typeof change>;
      try {
        changed = change(circuit, survey.survey);
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
        store.dispatch(told(error.message));
        return;
      }
      if (changed.circuit !== circuit) store.dispatch(edited({ circuit: changed.circuit, note }));
      if (changed.survey) store.dispatch(surveyChanged(changed.survey));
    },
    [store],
  );
}
