/** What was done here and is not with the server yet, as the store holds it. Changed by `happened` alone. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSelector, createSlice } from '@reduxjs/toolkit';
import type { Draft, Sync, Waiting } from '@zygostat/core/sync';
import { NOTHING_WAITS, allOf, keyOf } from '@zygostat/core/sync';
import { useSelector } from 'react-redux';

const sync = createSlice({
  name: 'sync',
  initialState: NOTHING_WAITS,
  reducers: { stepped: (_state, { payload }: PayloadAction<Sync>) => payload },
});

export const { stepped } = sync.actions;
export const syncReducer = sync.reducer;

/** The name that jobs begun in this browser wait under. */
export const BEGUN = 'job';

/** Before the first job is opened there is no such part of the store. */
export const syncIn = (state: unknown): Sync => (state as { sync?: Sync }).sync ?? NOTHING_WAITS;

/** What waits under a name and id, if anything does. */
export function waitingAs(state: unknown, name: string, id: string): Waiting | undefined {
  const found = syncIn(state).items[keyOf({ name, id })];
  return found?.isSent ? undefined : found;
}

export const draftAs = (state: unknown, name: string, id: string): Draft | undefined =>
  waitingAs(state, name, id)?.value as Draft | undefined;

/** Whether a job was begun in this browser and the server has not had it yet. */
export const isBegunHere = (state: unknown, jobId: string): boolean =>
  waitingAs(state, BEGUN, jobId) !== undefined;

const shownIn = createSelector([(state: unknown) => syncIn(state).items], (items) =>
  Object.values(items)
    // What is on its way to the disk for the first time is seen by nobody.
    .filter(({ isNew }) => !isNew)
    .sort((one, other) => one.order - other.order),
);

/** What waits, in the order it came about. */
export const whatWaits = (state: unknown): Waiting[] => allOf(syncIn(state));

/** Everything this page knows of and can be sure of, what has arrived among it. */
export const useKept = (): readonly Waiting[] => useSelector(shownIn);
