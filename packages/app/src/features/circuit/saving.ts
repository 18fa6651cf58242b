/** Saves every edit of the circuit as a revision. Where somebody else was first, both are put together; what both changed is asked. */
import type { Circuit } from '@zygostat/core/circuit';
import { mergeCircuits, parseCircuit } from '@zygostat/core/circuit';
import type { Synced } from '../../documents/sync';
import { jobsApi } from '../jobs/api';
import { circuitApi } from './api';
import type { EditsState, Saving } from './slice';
import { REDO, UNDO, edited, putTogether, saveChanged } from './slice';

/** Saves the present circuit on top of the revision it is based on. */
export const saveRequested = { type: 'saving/requested' } as const;

interface Parts {
  edits: EditsState;
  saving: Saving;
}
const circuitIn = (state: unknown) => (state as Parts).edits.present.circuit;

function read(given: unknown): Circuit | undefined {
  try {
    return parseCircuit(given);
  } catch {
    return undefined;
  }
}

export const circuitDocument: Synced<Circuit> = {
  name: 'circuit',
  read,
  // A step of the landing list that leaves the circuit as it is can be undone, but is no revision.
  changes: ({ type }, now, before) =>
    type === saveRequested.type ||
    ([edited.type, UNDO, REDO].includes(type) && circuitIn(now) !== circuitIn(before)),
  draftIn: (state) => {
    const { edits, saving } = state as Parts;
    const { circuit, note } = edits.present;
    return circuit && { base: saving.base, value: circuit, note };
  },
  progressIn: (state) => (state as Parts).saving,
  progressed: saveChanged,
  send: (dispatch, id, { base, value, note = '' }) =>
    dispatch(circuitApi.endpoints.saveRevision.initiate({ id, base, circuit: value, note })),
  newest: async (dispatch, id) => {
    const { data, error } = await dispatch(
      jobsApi.endpoints.openJob.initiate(id, { forceRefetch: true, subscribe: false }),
    );
    return { error, ...(data && { data: { number: data.revision, value: data.circuit } }) };
  },
  merging: {
    before: async (dispatch, id, number) => {
      const { data } = await dispatch(
        circuitApi.endpoints.revision.initiate({ id, number }, { subscribe: false }),
      );
      return data?.circuit;
    },
    merge: (mine, theirs, before) => {
      const merged = before && mergeCircuits(before, mine, theirs);
      if (!merged || merged.clashes.length > 0) return null;
      return {
        value: merged.circuit,
        words: 'Somebody else changed this job too: both changes are in. Prove it again before power',
      };
    },
    takenUp: putTogether,
  },
};
