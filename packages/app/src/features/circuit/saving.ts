/** Saves every edit of the circuit as a revision. Where somebody else was first, both are put together; what both changed is asked. */
import { addListener, nanoid } from '@reduxjs/toolkit';
import type { Circuit } from '@zygostat/core/circuit';
import { mergeCircuits, parseCircuit } from '@zygostat/core/circuit';
import type { Draft, Saved } from '@zygostat/core/sync';
import equal from 'fast-deep-equal';
import { happened, readAnew } from '../../documents/happened';
import type { Dispatch, Sender } from '../../documents/senders';
import { isFinal, problemOf } from '../../store/api';
import { jobsApi } from '../jobs/api';
import { circuitApi } from './api';
import type { EditsState, Saving } from './slice';
import { REDO, UNDO, edited, opened, putTogether, saveChanged } from './slice';

export const CIRCUIT = 'circuit';

interface Parts {
  edits: EditsState;
  saving: Saving;
}
const circuitIn = (state: unknown) => (state as Parts).edits.present.circuit;
const openIn = (state: unknown) => (state as Parts).saving.jobId;

function isCircuit(given: unknown): boolean {
  try {
    return parseCircuit(given) !== null;
  } catch {
    return false;
  }
}

/** Where what both began with is not known, whatever differs is asked. */
const merge = (before: unknown, mine: unknown, theirs: unknown) => {
  const [own, other] = [mine as Circuit, theirs as Circuit];
  if (before === undefined) return { value: mine, clashes: equal(own, other) ? [] : ['unknown'] };
  const { circuit, clashes } = mergeCircuits(before as Circuit, own, other);
  return { value: circuit, clashes };
};

async function newest(dispatch: Dispatch, _getState: () => unknown, id: string): Promise<Saved | null> {
  const { data } = await dispatch(
    jobsApi.endpoints.openJob.initiate(id, { forceRefetch: true, subscribe: false }),
  );
  return data ? { number: data.revision, value: data.circuit } : null;
}

export const circuitSender: Sender = {
  name: CIRCUIT,
  sort: { type: 'document', holds: true, merge },
  isReadable: (given) => {
    const { base, value, save } = (given ?? {}) as Partial<Draft>;
    return typeof base === 'number' && typeof save === 'string' && isCircuit(value);
  },
  newest,
  save: async (dispatch, id, { base, value, save, note = '' }) => {
    const { data, error } = await dispatch(
      circuitApi.endpoints.saveRevision.initiate({ id, base, save, circuit: value as Circuit, note }),
    );
    if (data) return { type: 'taken', number: data.number, latest: data.number };
    const { status, detail } = problemOf(error);
    if (status !== 409) return isFinal(status) ? { type: 'refused', detail } : { type: 'silent' };
    const found = await newest(dispatch, () => null, id);
    return found ? { type: 'overtaken', newest: found } : { type: 'silent' };
  },
  show: (dispatch, getState, id, { number, value }) => {
    if (openIn(getState()) !== id) return;
    // What stands here already stays, with the steps that led to it.
    if (equal(circuitIn(getState()), value)) dispatch(saveChanged({ base: number }));
    else dispatch(putTogether({ jobId: id, base: number, value: value as Circuit, state: 'saved' }));
  },
  progress: (dispatch, getState, id, progress) => {
    if (openIn(getState()) === id) dispatch(saveChanged(progress));
  },
};

/** Opens a job's circuit as it was read; what is kept here goes on top of it. */
export const openedAs =
  (id: string, newestSaved: Saved) =>
  (dispatch: Dispatch): void => {
    dispatch(opened({ jobId: id, base: newestSaved.number }));
    dispatch(happened({ type: 'read', name: CIRCUIT, id, newest: newestSaved, save: nanoid() }));
  };

/** Reads the newest circuit, and puts what is changed here on top of it. */
export const refreshCircuit = (id: string) => readAnew(CIRCUIT, id);

/** What a person decided a contested circuit to be, on top of a revision. */
export const decidedCircuit =
  (id: string, on: Saved, circuit: Circuit) =>
  (dispatch: Dispatch): void => {
    dispatch(putTogether({ jobId: id, base: on.number, value: circuit, state: 'saved' }));
    dispatch(
      happened({
        ...{ type: 'decided', name: CIRCUIT, id, on, value: circuit },
        ...{ save: nanoid(), at: Date.now() },
      }),
    );
  };

/** Every edit goes on its way as it is made. A step of the landing list that leaves the circuit as it is is no revision. */
export const savingCircuit = () =>
  addListener({
    predicate: ({ type }, now, before) =>
      [edited.type, UNDO, REDO].includes(type) && circuitIn(now) !== circuitIn(before),
    effect: (_action, { dispatch, getState }) => {
      const { circuit, note } = (getState() as Parts).edits.present;
      const id = openIn(getState());
      if (id === null || circuit === null) return;
      (dispatch as Dispatch)(
        happened({
          ...{ type: 'changed', name: CIRCUIT, id, value: circuit, note },
          ...{ save: nanoid(), at: Date.now() },
        }),
      );
    },
  });
