import { nanoid } from '@reduxjs/toolkit';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type {
  Diagnosis,
  Experience,
  KeptDiagnosis,
  FindView,
  Observation,
  Step,
} from '@zygostat/core/diagnose';
import { afterStep, diagnosisFor, keptFor } from '@zygostat/core/diagnose';
import { startModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';
import { useAppSelector, useAppStore } from '../../store';
import { useFoundQuery } from './api';
import { writerIn } from '../record/writer-name';
import { diagnosisDocument } from './document';
import { endPractice, keepPractice, practiceIn } from './practice';

const NOTHING_KNOWN: Experience = {};
const NOTHING_SEEN: readonly string[] = [];

/** Where the diagnosis stands, worked out in a worker of its own; `null` until the first answer. */
export function useFindView(circuit: Circuit, diagnosis: Diagnosis | null) {
  const [answer, setAnswer] = useState<{ to: Diagnosis; view: FindView } | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [progress, setProgress] = useState<{ done: number; all: number } | null>(null);
  const [tries, setTries] = useState(0);
  const own = useRef<ReturnType<typeof startModel> | null>(null);
  // Without the server, or before it answers, the likelihoods are those of judgement.
  const { data, isLoading } = useFoundQuery(undefined);
  const experience = data ?? NOTHING_KNOWN;
  const seen = useAppSelector(({ survey }) => survey.value.seen) ?? NOTHING_SEEN;
  useEffect(() => () => own.current?.stop(), []);
  useEffect(() => {
    if (!diagnosis || isLoading) return;
    let wanted = true;
    // How far it is goes another way than the answer, and may come after it.
    let going = true;
    own.current ??= startModel();
    const asked = own.current;
    const tell = proxy((done: number, all: number) => wanted && going && setProgress({ done, all }));
    asked.model
      .find(circuit, diagnosis, diagnosis.unsurveyed ? { ...experience, seen } : experience, tell)
      .then(
        (view) => wanted && (setAnswer({ to: diagnosis, view }), setFailure(null)),
        (error: unknown) => {
          // What is asked next is asked of another.
          asked.stop();
          if (own.current === asked) own.current = null;
          if (wanted) setFailure(whyOf(error));
        },
      )
      .finally(() => {
        going = false;
        if (wanted) setProgress(null);
      });
    return () => {
      wanted = false;
    };
  }, [circuit, diagnosis, experience, seen, isLoading, tries]);
  const again = useCallback(() => {
    setFailure(null);
    setTries((count) => count + 1);
  }, []);
  /** Ends what is being worked out; the next question begins anew. */
  const stop = useCallback(() => {
    own.current?.stop();
    own.current = null;
    setProgress(null);
  }, []);
  const working = diagnosis !== null && answer?.to !== diagnosis;
  return { view: answer?.view ?? null, working, failure, again, progress, stop };
}

type Begun = Pick<Diagnosis, 'unsurveyed' | 'telephone'>;

/** What a person does with a diagnosis; each change is kept and sent by itself. */
export function useFindActions() {
  const store = useAppStore();
  const change = useCallback(
    (make: (now: Diagnosis) => Diagnosis) => {
      const state = store.getState();
      const practice = practiceIn(state);
      const kept = practice ? practice.diagnosis : state.diagnosis.value;
      if (!kept) return;
      const person = writerIn(state);
      const next = keptFor(kept, person, make(diagnosisFor(kept, person)));
      if (practice) keepPractice(store, { ...practice, diagnosis: next });
      else store.dispatch(diagnosisDocument.changed(next));
    },
    [store],
  );
  return {
    begin: useCallback(
      (station: string, state: string, observations: readonly Observation[], begun: Begun = {}) =>
        store.dispatch(
          diagnosisDocument.changed(
            begunBy(writerIn(store.getState()), { station, state, observations, begun }),
          ),
        ),
      [store],
    ),
    /** Begins a practice with a bench meter: the job's own search stays as it is. */
    practise: useCallback(
      (jobId: string, meter: string, { station, state, observations }: Omit<Beginning, 'begun'>) => {
        const by = writerIn(store.getState());
        keepPractice(store, {
          jobId,
          meter,
          diagnosis: begunBy(by, { station, state, observations, begun: {} }),
        });
      },
      [store],
    ),
    /** @param instead - observations that are made anew by it. */
    answer: useCallback(
      (step: Step, observations: readonly Observation[], instead: readonly string[] = []) =>
        change(({ trying, ...now }) => ({
          ...now,
          // What was tried is answered; a call with it in is nothing anybody leaves set.
          ...(trying !== undefined && !('state' in step && step.state === trying) && { trying }),
          observed: [...now.observed.filter(({ id }) => !instead.includes(id)), ...stamped(observations)],
          whereabouts: afterStep(now.whereabouts, step),
        })),
      [change],
    ),
    /** Something told in passing, where one stands. */
    tell: useCallback(
      (observation: Observation) =>
        change((now) => ({ ...now, observed: [...now.observed, ...stamped([observation])] })),
      [change],
    ),
    /** Something is tried: what runs with it is asked next. */
    tryIt: useCallback((trying: string) => change((now) => ({ ...now, trying })), [change]),
    /** Something was put right and it is no better: what was observed before is no more of what the circuit is now. */
    noBetter: useCallback(
      (remedy: string) =>
        change(({ observed, before = [], ...now }) => ({
          ...now,
          pairs: false,
          before: [...before, ...observed.filter(({ observation }) => observation.type !== 'repaired')],
          observed: [
            ...observed.filter(({ observation }) => observation.type === 'repaired'),
            ...stamped([{ type: 'repaired', remedy, helped: false }]),
          ],
        })),
      [change],
    ),
    withdraw: useCallback(
      (ids: readonly string[]) =>
        change((now) => ({
          ...now,
          observed: now.observed.filter(({ id }) => !ids.includes(id)),
          // What was logged elsewhere stays logged; it only does not count here.
          ignored: [
            ...(now.ignored ?? []),
            ...ids.filter((id) => !now.observed.some((one) => one.id === id)),
          ],
        })),
      [change],
    ),
    lookForTwo: useCallback((pairs: boolean) => change((now) => ({ ...now, pairs })), [change]),
    arrive: useCallback(() => change((now) => ({ ...now, telephone: false })), [change]),
    end: useCallback(() => {
      const practice = practiceIn(store.getState());
      if (practice) endPractice(store, practice.jobId);
      else store.dispatch(diagnosisDocument.changed(null));
    }, [store]),
    resume: useCallback(
      (putAway: KeptDiagnosis) => store.dispatch(diagnosisDocument.changed(putAway)),
      [store],
    ),
  };
}

interface Beginning {
  station: string;
  state: string;
  observations: readonly Observation[];
  begun: Begun;
}

const begunBy = (person: string, { station, state, observations, begun }: Beginning): KeptDiagnosis =>
  keptFor({ whereabouts: {} }, person, {
    ...begun,
    observed: stamped(observations),
    whereabouts: { station, open: [], state },
  });

const stamped = (observations: readonly Observation[]): Diagnosis['observed'] =>
  observations.map((observation) => ({ id: nanoid(), at: new Date().toISOString(), observation }));

export const useDiagnosis = () => useAppSelector((state) => state.diagnosis);
