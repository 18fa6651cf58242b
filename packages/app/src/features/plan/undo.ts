/** Undo takes a tick of the landing list back together with what it did to the circuit; redo brings both again, but for the power-off gate. */
import { nanoid } from '@reduxjs/toolkit';
import { broughtTo, stepsOf } from '@zygostat/core/wire';
import { addAppListener } from '../../store/listeners';
import { REDO, UNDO } from '../circuit/slice';
import { writerIn } from '../record/writer-name';
import { planDocument } from './document';

export const followingUndo = () =>
  addAppListener({
    predicate: ({ type }) => type === UNDO || type === REDO,
    effect: ({ type }, { getState, getOriginalState, dispatch }) => {
      const plan = getState().plan.value;
      const [before, after] = [getOriginalState().edits.present, getState().edits.present];
      const ticks = type === UNDO ? before.ticks : after.ticks;
      // What was ticked of another plan says nothing of this one.
      if (!plan || before === after || ticks?.plan !== plan.id) return;
      const steps = stepsOf(plan.before, plan.after, plan.reasons);
      const stamp = () => ({ id: nanoid(), by: writerIn(getState()), at: new Date().toISOString() });
      const added = broughtTo(steps, plan.events, type === UNDO ? ticks.was : ticks.now, stamp);
      if (added.length > 0) dispatch(planDocument.changed({ ...plan, events: [...plan.events, ...added] }));
    },
  });
