/** Undo outlives a reload: the last steps are kept as long as the tab is open, and taken up where they led to what is opened. */
import { isAnyOf } from '@reduxjs/toolkit';
import type { Circuit } from '@zygostat/core/circuit';
import { parseCircuit } from '@zygostat/core/circuit';
import { addAppListener } from '../../store/listeners';
import { readKept, writeKept } from '../../store/storage';
import type { Edit, Steps } from './slice';
import { REDO, UNDO, edited, putTogether } from './slice';

/** Steps kept each way: what a person goes back in one go, and no more than a tab has room for. */
const DEPTH = 20;
const SETTLE_MS = 300;

const keyOf = (jobId: string) => `steps.${jobId}`;

export const keepingSteps = () =>
  addAppListener({
    predicate: (action) => isAnyOf(edited, putTogether)(action) || [UNDO, REDO].includes(action.type),
    effect: async (_action, listener) => {
      listener.cancelActiveListeners();
      await listener.delay(SETTLE_MS);
      const { saving, edits } = listener.getState();
      if (saving.jobId === null) return;
      const { past, present, future } = edits;
      const steps: Steps = { past: past.slice(-DEPTH), present, future: future.slice(0, DEPTH) };
      writeKept(keyOf(saving.jobId), steps, 'tab');
    },
  });

/** An edit as it was kept, its circuit checked. */
function editOf(given: Edit): Edit {
  const { note, ticks } = given;
  const isOfAPlan = typeof ticks?.plan === 'string' && Array.isArray(ticks.was) && Array.isArray(ticks.now);
  return { circuit: parseCircuit(given.circuit), note: String(note), ...(isOfAPlan && { ticks }) };
}

/** The steps that led to a circuit, or `null` where others did or none are kept. */
export function keptSteps(jobId: string, circuit: Circuit): Steps | null {
  try {
    const { past, present, future } = readKept(keyOf(jobId), 'tab') as Steps;
    if (JSON.stringify(parseCircuit(present.circuit)) !== JSON.stringify(circuit)) return null;
    return { past: past.map(editOf), present: { ...editOf(present), circuit }, future: future.map(editOf) };
  } catch {
    // None kept, or by a version that wrote them otherwise: undo begins anew, and nothing else is lost.
    return null;
  }
}
