import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import type { Circuit } from '@zygostat/core/circuit';
import type { Diagnosis, FindView, Observation, Step } from '@zygostat/core/diagnose';
import { DIAGNOSIS_VERSION, afterStep } from '@zygostat/core/diagnose';
import { startModel } from '../../model/model';
import type { Store } from '../../store';
import { useAppSelector } from '../../store';
import { diagnosisDocument } from './document';

/** Where the diagnosis stands, worked out in a worker of its own; `null` until the first answer. */
export function useFindView(circuit: Circuit, diagnosis: Diagnosis | null) {
  const [answer, setAnswer] = useState<{ to: Diagnosis; view: FindView } | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const own = useRef<ReturnType<typeof startModel> | null>(null);
  useEffect(() => () => own.current?.stop(), []);
  useEffect(() => {
    if (!diagnosis) return;
    let wanted = true;
    own.current ??= startModel();
    own.current.model.find(circuit, diagnosis).then(
      (view) => wanted && (setAnswer({ to: diagnosis, view }), setFailure(null)),
      (error: unknown) => wanted && setFailure(error instanceof Error ? error.message : 'The model stopped.'),
    );
    return () => {
      wanted = false;
    };
  }, [circuit, diagnosis]);
  return { view: answer?.view ?? null, working: diagnosis !== null && answer?.to !== diagnosis, failure };
}

/** What a person does with a diagnosis; each change is kept and sent by itself. */
export function useFindActions() {
  const store = useStore() as unknown as Store;
  return {
    begin: useCallback(
      (station: string, state: string, observations: readonly Observation[]) =>
        store.dispatch(
          diagnosisDocument.changed({
            version: DIAGNOSIS_VERSION,
            observed: stamped(observations),
            whereabouts: { station, open: [], state },
          }),
        ),
      [store],
    ),
    answer: useCallback(
      (step: Step, observations: readonly Observation[]) => {
        const now = store.getState().diagnosis.value;
        if (!now) return;
        store.dispatch(
          diagnosisDocument.changed({
            ...now,
            observed: [...now.observed, ...stamped(observations)],
            whereabouts: afterStep(now.whereabouts, step),
          }),
        );
      },
      [store],
    ),
    withdraw: useCallback(
      (ids: readonly string[]) => {
        const now = store.getState().diagnosis.value;
        if (!now) return;
        const observed = now.observed.filter(({ id }) => !ids.includes(id));
        store.dispatch(diagnosisDocument.changed({ ...now, observed }));
      },
      [store],
    ),
    end: useCallback(() => store.dispatch(diagnosisDocument.changed(null)), [store]),
    resume: useCallback((putAway: Diagnosis) => store.dispatch(diagnosisDocument.changed(putAway)), [store]),
  };
}

const stamped = (observations: readonly Observation[]): Diagnosis['observed'] =>
  observations.map((observation) => ({ id: nanoid(), at: new Date().toISOString(), observation }));

export const useDiagnosis = () => useAppSelector((state) => state.diagnosis);
