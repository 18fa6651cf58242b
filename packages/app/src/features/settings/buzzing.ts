/** A short buzz when something was done, for who does not look: as the person chose, and where the device can. */
import { addAppListener } from '../../store/listeners';
import { told } from '../../store/notice';
import { planDocument } from '../plan/document';

/** Long enough to be felt through a glove, ms. */
const SHORT_MS = 20;

export const buzzing = () =>
  addAppListener({
    predicate: (action) =>
      (told.match(action) && action.payload !== null) || planDocument.changed.match(action),
    effect: (_action, { getState }) => {
      if (getState().settings.buzz === 'on') navigator.vibrate?.(SHORT_MS);
    },
  });
