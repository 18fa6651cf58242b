/** Saves the plan as it is worked down. */
import { isAnyOf } from '@reduxjs/toolkit';
import type { Plan } from '@zygostat/core/wire';
import { theModel } from '../bench/model';
import { api } from './api';
import type { Documents } from './documents';
import { saveDocuments } from './documents';
import type { Listen } from './listeners';
import { keepPlan } from './kept';
import { planChanged, planOpened, planSaved, stepsDone } from './plan';
import { told } from './trace';
import { REDO, UNDO } from './work';

const DOCUMENTS: Documents<Plan | null> = {
  changes: isAnyOf(planChanged, stepsDone),
  of: ({ plan: { plan, ...rest } }) => ({ ...rest, value: plan }),
  keep: (jobId, kept) => keepPlan(jobId, kept && { base: kept.base, plan: kept.value }),
  send: (dispatch, id, base, plan) => dispatch(api.endpoints.savePlan.initiate({ id, base, plan })),
  saved: planSaved,
  overtaken: async (dispatch, jobId, plan) => {
    const newest = await dispatch(
      api.endpoints.readPlan.initiate(jobId, { forceRefetch: true, subscribe: false }),
    );
    if (!newest.data) return;
    const { number, plan: theirs } = newest.data;
    dispatch(planOpened({ jobId, base: number, plan: theirs }));
    // Steps ticked here are ticked there too, when it is the same plan; otherwise theirs stands.
    const same = plan && theirs && JSON.stringify(plan.after) === JSON.stringify(theirs.after);
    dispatch(
      told(
        same
          ? 'The plan was worked on in another tab; what you ticked is added to it.'
          : 'Another plan was taken in another tab; it stands.',
      ),
    );
    if (same) dispatch(stepsDone({ ...theirs.done, ...plan.done }));
  },
};

/** Undo takes the tick back together with what it did to the circuit, and redo brings both again. */
const followUndo = (listen: Listen) =>
  listen({
    predicate: ({ type }) => type === UNDO || type === REDO,
    effect: async ({ type }, { getState, getOriginalState, dispatch }) => {
      const { plan } = getState().plan;
      const undone = getOriginalState().edits.present.ticks;
      const redone = getState().edits.present.ticks;
      const wanted = type === UNDO ? undone?.was : redone?.now;
      if (!plan || !wanted || getOriginalState().edits.present === getState().edits.present) return;
      const { before, after, reasons, done } = plan;
      const view = await theModel().follow(before, after, reasons, Object.keys(wanted), Object.keys(done));
      const stands = new Set(view.done);
      dispatch(stepsDone(Object.fromEntries(Object.entries(wanted).filter(([id]) => stands.has(id)))));
    },
  });

export function savePlans(listen: Listen): void {
  saveDocuments(listen, DOCUMENTS);
  followUndo(listen);
}
