/** What is done on a device until the server has it: kept, sent in its order, tried again, put together with what others did. */
export type { Delivered, Effect, Progress, SaveOutcome, SyncEvent, ToldOutcome, Word } from './event';
export { step } from './step';
export { UNREADABLE } from './turn';
export { NOTHING_WAITS, allOf, keyOf } from './waiting';
export type { Draft, Lying, Saved, Sort, Sorts, Sync, Waiting } from './waiting';
