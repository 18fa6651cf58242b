/**
 * Readings and notes the server did not answer for: kept in this browser and sent again until it does. What it
 * refuses is said and let go.
 */
import { api, problemOf } from './api';
import type { Unsent } from './kept';
import { keepUnsent, keptUnsent } from './kept';
import type { Listen } from './listeners';
import type { AppDispatch } from './root';
import { told } from './trace';

const RETRY_MS = 3000;

/** Sends what is kept, now and until nothing is left. */
export const unsentWaits = { type: 'unsent/waits' } as const;

/** Keeps something to be sent. A later note of a job takes the place of an earlier one. */
export function keepForLater(entry: Unsent): typeof unsentWaits {
  const others = keptUnsent().filter(
    (other) => entry.kind === 'reading' || other.kind === 'reading' || other.id !== entry.id,
  );
  keepUnsent([...others, entry]);
  return unsentWaits;
}

const send = (dispatch: AppDispatch, entry: Unsent) =>
  entry.kind === 'reading'
    ? dispatch(api.endpoints.logReading.initiate({ id: entry.id, reading: entry.reading }))
    : dispatch(api.endpoints.changeJob.initiate({ id: entry.id, change: entry.change }));

export const sendUnsent = (listen: Listen): void =>
  void listen({
    type: unsentWaits.type,
    effect: async (_action, { dispatch, delay, cancelActiveListeners }) => {
      cancelActiveListeners();
      for (let [first] = keptUnsent(); first; [first] = keptUnsent()) {
        const { error } = await send(dispatch, first);
        if (error && problemOf(error).status === 0) {
          await delay(RETRY_MS);
          continue;
        }
        keepUnsent(keptUnsent().slice(1));
        if (error) dispatch(told(`Not kept: ${problemOf(error).detail}`));
      }
    },
  });
