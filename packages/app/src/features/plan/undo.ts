/** Undo takes a tick of the landing list back together with what it did to the circuit; redo brings both again. */
import { theModel } from '../../model/model';
import { addAppListener } from '../../store/listeners';
import { REDO, UNDO } from '../circuit/slice';
import { planDocument } from './document';

export const followingUndo = () =>
  addAppListener({
    predicate: ({ type }) => type === UNDO || type === REDO,
    effect: async ({ type }, { getState, getOriginalState, dispatch }) => {
      const plan = getState().plan.value;
      const undone = getOriginalState().edits.present.ticks;
      const redone = getState().edits.present.ticks;
      const wanted = type === UNDO ? undone?.was : redone?.now;
      if (!plan || !wanted || getOriginalState().edits.present === getState().edits.present) return;
      const { before, after, reasons, done } = plan;
      const view = await theModel().follow(
        { before, after, reasons },
        Object.keys(wanted),
        Object.keys(done),
      );
      const stands = new Set(view.done);
      const kept = Object.entries(wanted).filter(([id]) => stands.has(id));
      dispatch(planDocument.changed({ ...plan, done: Object.fromEntries(kept) }));
    },
  });
