/** The bench is kept as it stands, so that a job opens where it was left. */
import { isAnyOf } from '@reduxjs/toolkit';
import { addAppListener } from '../../store/listeners';
import { keepBench } from './kept';
import { answered, conditionsSet, controlSet, meterSet, probePlaced, supplySet } from './slice';

const SETTLE_MS = 300;

export const keepingBench = () =>
  addAppListener({
    matcher: isAnyOf(answered, controlSet, conditionsSet, supplySet, probePlaced, meterSet),
    effect: async (_action, listener) => {
      listener.cancelActiveListeners();
      await listener.delay(SETTLE_MS);
      const { saving, bench } = listener.getState();
      if (saving.jobId !== null) keepBench(saving.jobId, bench);
    },
  });
