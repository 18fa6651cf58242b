/** Supervised loops, and the jackets at a detector: what each does, what is off, what that leaves unprotected. */
export * from './jackets';
export * from './locate';
export { loopOf, loopsOf, panelReads } from './loop';
export type { Loop, LoopPoint, Unwatched } from './loop';
